import type { Plugin, Rolldown } from "vite";

const NAME = "first";
const MAIN = /\/src\/main\.tsx$/;

/** The modules of the first page as one file, what it boots with as another: every file more is a request more. */
export const groups: Rolldown.CodeSplittingGroup[] = [
  { name: "boot", tags: ["$initial"], priority: 1 },
  { name: (id, graph) => (reaches(id, graph) ? NAME : null), debugName: NAME },
];

/** Whether a module is read along with the page's main one. */
function reaches(id: string, graph: Rolldown.ChunkingContext, seen = new Set<string>()): boolean {
  if (MAIN.test(id)) return true;
  if (seen.has(id)) return false;
  seen.add(id);
  return (graph.getModuleInfo(id)?.importers ?? []).some((importer) => reaches(importer, graph, seen));
}

/** Has the page name that file at once: it would be asked for only when the page has booted. */
export function preloads(): Plugin {
  return {
    name: "preloads",
    transformIndexHtml: {
      order: "post",
      handler(_, { bundle = {} }) {
        const link = (rel: string, file: string) =>
          ({ tag: "link", attrs: { rel, href: `/${file}`, crossorigin: "" }, injectTo: "head" }) as const;
        return Object.values(bundle).flatMap((file) =>
          file.type === "chunk" && file.name === NAME
            ? [
                link("modulepreload", file.fileName),
                ...[...(file.viteMetadata?.importedCss ?? [])].map((css) => link("stylesheet", css)),
              ]
            : [],
        );
      },
    },
  };
}
