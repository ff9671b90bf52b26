declare module "edmonds-blossom-fixed" {
  /** Edges [i, j, weight]; gives for each vertex its mate or -1. */
  export default function blossom(
    edges: readonly (readonly [number, number, number])[],
    maxCardinality?: boolean,
  ): number[];
}
