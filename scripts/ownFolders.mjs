import { fileURLToPath } from "node:url";

/** For the bundler: the folders of a checkout by their short names (`#core/plan`, `#shared/planFile`). */
export const ownFoldersOf = (root) => ({
  name: "own-folders",
  setup(made) {
    made.onResolve({ filter: /^#core\// }, ({ path }) => ({ path: `${root}core/${path.slice(6)}/index.ts` }));
    made.onResolve({ filter: /^#shared\// }, ({ path }) => ({ path: `${root}shared/${path.slice(8)}.ts` }));
  },
});
/** Those of this one. */
export const ownFolders = ownFoldersOf(fileURLToPath(new URL("..", import.meta.url)));
