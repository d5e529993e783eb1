import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { build, type Plugin, type ResolvedConfig } from "vite";

/** Names of built files that carry the hash of what is in them. */
const HASHED = /-[\w-]{8}\.\w+$/;

/** Marks the pages with their build, and makes the service worker that keeps them whole in the browser. */
export function offlineWorker(): Plugin {
  let config: ResolvedConfig;
  return {
    name: "offline-worker",
    apply: "build",
    configResolved(resolved) {
      config = resolved;
    },
    transformIndexHtml: {
      order: "post",
      handler: (html, context) => {
        const names = Object.keys(context.bundle ?? {}).sort();
        const content = hash(JSON.stringify(names) + html);
        return [{ tag: "meta", attrs: { name: "build", content }, injectTo: "head" }];
      },
    },
    async closeBundle() {
      const out = join(config.root, config.build.outDir);
      const dir = config.build.outDir.startsWith("/") ? config.build.outDir : out;
      await build({
        root: config.root,
        configFile: false,
        publicDir: false,
        logLevel: "warn",
        define: { __SHELL__: JSON.stringify(shellOf(dir)), "process.env.NODE_ENV": '"production"' },
        build: {
          outDir: dir,
          emptyOutDir: false,
          target: "es2022",
          rollupOptions: {
            input: join(config.root, "src/offline/worker.ts"),
            output: { format: "iife", entryFileNames: "worker.js" },
          },
        },
      });
    },
  };
}

/** Every file of the pages by the address that it is served at; `/` is the page itself. */
function shellOf(dir: string): { url: string; revision: string | null }[] {
  return filesIn(dir)
    .map((file) => relative(dir, file).replaceAll("\\", "/"))
    .filter((name) => name === "index.html" || /^assets\/.*\.(js|css|woff2|svg|png)$/.test(name))
    .sort()
    .map((name) => ({
      url: name === "index.html" ? "/" : `/${name}`,
      revision: HASHED.test(name) ? null : hash(readFileSync(join(dir, name))),
    }));
}

const filesIn = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(join(dir, entry.name)) : [join(dir, entry.name)],
  );

const hash = (content: string | Uint8Array): string =>
  createHash("sha256").update(content).digest("hex").slice(0, 16);
