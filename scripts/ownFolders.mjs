import { fileURLToPath } from "node:url";

const root = fileURLToPath(new URL("..", import.meta.url));

/** For the bundler: the project's own folders by their short names (`#core/plan`, `#shared/planFile`). */
export const ownFolders = {
  name: "own-folders",
  setup(made) {
    made.onResolve({ filter: /^#core\// }, ({ path }) => ({ path: `${root}core/${path.slice(6)}/index.ts` }));
    made.onResolve({ filter: /^#shared\// }, ({ path }) => ({ path: `${root}shared/${path.slice(8)}.ts` }));
  },
};
