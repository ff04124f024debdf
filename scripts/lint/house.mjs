/** Rules of this repository that no linter brings along. */

/** Words that say too little of what they name. */
const RIDDLES = /^(told|asked|standing|ground|madeUp)([A-Z]|$)|(Told|Asked|Standing|Ground|MadeUp)([A-Z]|$)/;

/** The compiler looks for unknown and doubled properties only where an object is written out. */
const noSpreadLiteral = {
  create(context) {
    const report = (node) => context.report({ node, message: 'Write the properties out.' });
    return {
      SpreadElement(node) {
        if (node.parent.type === 'ObjectExpression' && node.argument.type === 'ObjectExpression')
          report(node);
      },
      JSXSpreadAttribute(node) {
        if (node.argument.type === 'ObjectExpression') report(node);
      },
    };
  },
};

const plainExports = {
  create(context) {
    return {
      ExportNamedDeclaration({ declaration }) {
        const name = declaration?.id;
        if (name && RIDDLES.test(name.name))
          context.report({
            node: name,
            message: 'Name what it is, in the words of the field or of programming.',
          });
      },
    };
  },
};

export default {
  meta: { name: 'house' },
  rules: { 'no-spread-literal': noSpreadLiteral, 'plain-exports': plainExports },
};
