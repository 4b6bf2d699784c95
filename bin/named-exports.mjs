/** A rule of the linter: everything is exported under its name, one by one, so that a name can be searched for. */
const namedExports = {
  create: (context) => ({
    ExportDefaultDeclaration: (node) =>
      context.report({ node, message: 'No default exports: a name is searched for.' }),
    ExportAllDeclaration: (node) => context.report({ node, message: 'A public face is an explicit list.' }),
  }),
};

export default { meta: { name: 'zephyrcombe' }, rules: { 'named-exports': namedExports } };
