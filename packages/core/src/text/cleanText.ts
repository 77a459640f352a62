const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\ufeff\u200b\u2028\u2029\u2060\ufffe\uffff]/gu

/**
 * Takes out control and zero-width characters, mends half surrogate pairs and makes line breaks one kind: what no
 * screen shows and no store takes.
 */
export function cleanText(text: string): string {
  return text.replace(/\r\n?/gu, '\n').replace(LONE_SURROGATE, '\ufffd').replace(CONTROL, '')
}

const LONE_SURROGATE = /\p{Surrogate}/gu
