/** Header by which a page sends the token that it keeps. */
export const TOKEN_HEADER = 'X-Otter-Player'
