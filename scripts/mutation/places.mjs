// Places of a source at which it can be changed a little, each so that a good test notices (DeMillo, Lipton, Sayward: Hints
// on Test Data Selection, 1978): operators of arithmetic, comparison and logic, conditions, truth values and calls. Numbers
// are left as they are: of the operators that suffice (Offutt and others, 1996) none changes a constant.
import ts from 'typescript'

const SWAPPED = {
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
}

/** Returns the places of a source as ranges of its text, each with what stands there and what would stand there instead. */
export function placesOf(path, text) {
  const kind = path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true, kind)
  const places = []
  const add = (node, instead, isStatement = false) => {
    const start = node.getStart(source)
    const line = source.getLineAndCharacterOfPosition(start).line + 1
    places.push({ path, line, start, end: node.end, was: node.getText(source), instead, isStatement })
  }
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return
    if (ts.isBinaryExpression(node)) {
      const swapped = SWAPPED[node.operatorToken.getText(source)]
      const isText = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      )
      if (swapped && !isText) add(node, `${node.left.getText(source)} ${swapped} ${node.right.getText(source)}`)
    } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      add(node, node.operand.getText(source))
    else if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false')
    else if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true')
    else if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText(source)})`)
    else if (ts.isExpressionStatement(node) && isCall(node.expression)) add(node, '', true)
    ts.forEachChild(node, visit)
  }
  visit(source)
  return places
}

function isCall(expression) {
  const called = ts.isAwaitExpression(expression) ? expression.expression : expression
  return ts.isCallExpression(called) && called.expression.kind !== ts.SyntaxKind.SuperKeyword
}

/**
 * Returns a text in which each of its places has both: what stands there, and what would stand there instead where its
 * number is the one that is tried. Places must not overlap.
 */
export function withBoth(text, places) {
  let changed = text
  for (const { number, start, end, was, instead, isStatement } of [...places].sort(
    (one, other) => other.start - one.start,
  )) {
    const both = isStatement
      ? `if (!otterTries(${number})) { ${was} }`
      : `(otterTries(${number}) ? (${instead}) : (${was}))`
    changed = changed.slice(0, start) + both + changed.slice(end)
  }
  return changed
}

/** Stands before every bundled file: tells which place is tried, and keeps which were come to. */
export const TRIES = `globalThis.otterReached ??= new Set();
globalThis.otterTries ??= ((tried) => (number) => (globalThis.otterReached.add(number), number === tried))(
  Number(process.env.OTTER_TRIED ?? -1),
);`
