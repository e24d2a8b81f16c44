import dagre from "@dagrejs/dagre";

export interface MapNode {
  readonly key: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}
export interface MapEdge {
  readonly from: string;
  readonly to: string;
  readonly path: string;
}
export interface FunctionMap {
  readonly nodes: readonly MapNode[];
  readonly edges: readonly MapEdge[];
  readonly width: number;
  readonly height: number;
}

const HEIGHT = 24;

/** Functions from left to right in the order in which they feed each other; sizes in px. */
export function mapOf(names: readonly string[], links: readonly (readonly [string, string])[]): FunctionMap {
  const graph = new dagre.graphlib.Graph();
  graph.setGraph({ rankdir: "LR", nodesep: 10, ranksep: 36, marginx: 4, marginy: 4 });
  graph.setDefaultEdgeLabel(() => ({}));
  const keys = new Set(names.map((n) => `function:${n}`));
  for (const n of names) graph.setNode(`function:${n}`, { width: Math.max(30, 12 + n.length * 9), height: HEIGHT });
  const own = links.filter(([a, b]) => keys.has(a) && keys.has(b) && a !== b);
  for (const [a, b] of own) graph.setEdge(a, b);
  dagre.layout(graph);
  const size = graph.graph() as { width?: number; height?: number };
  return {
    nodes: names.map((name) => {
      const n = graph.node(`function:${name}`);
      return { key: `function:${name}`, name, x: n.x, y: n.y, width: n.width };
    }),
    edges: own.map(([from, to]) => ({
      from,
      to,
      path: (graph.edge(from, to) as { points: { x: number; y: number }[] }).points
        .map((p, i) => `${i === 0 ? "M" : "L"}${p.x.toFixed(1)} ${p.y.toFixed(1)}`)
        .join(""),
    })),
    width: size.width ?? 0,
    height: size.height ?? 0,
  };
}
