interface RouteNode {
  readonly path?: string | undefined;
  readonly file: string;
  readonly index?: boolean | undefined;
  readonly children?: readonly RouteNode[] | undefined;
}

function under(nodes: readonly RouteNode[], above: string): string[] {
  return nodes.flatMap((node) => {
    const path = node.path ? `${above}/${node.path}` : above;
    return node.children ? under(node.children, path) : [path || "/"];
  });
}

/** Every address of the application, as patterns. */
export const addressesOf = (routes: unknown): string[] => under(routes as readonly RouteNode[], "");
