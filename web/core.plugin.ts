/** Puts this browser's Python and the core beside the scripts, under names that change with what is in them, told to page and service worker. */
import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import type { Plugin } from "vite";

/** A cache of their own: they are large, and most versions of the app share them. */
export const CORE_CACHE = "outer-test-core";

const FILES = [
  "pyodide.mjs",
  "pyodide.asm.mjs",
  "pyodide.asm.wasm",
  "python_stdlib.zip",
  "pyodide-lock.json",
];
const FROM = join(import.meta.dirname, "node_modules", "pyodide");
const INSTALL = join(import.meta.dirname, "keepCore.sw.js");

function coreZip(): Buffer {
  const folder = mkdtempSync(join(tmpdir(), "core-"));
  try {
    const file = join(folder, "core.zip");
    execFileSync("python3", ["-m", "ops.core_zip", file], { cwd: join(import.meta.dirname, "..") });
    return readFileSync(file);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

function coreVersion(): string {
  const project = readFileSync(join(import.meta.dirname, "..", "pyproject.toml"), "utf8");
  const version = /^version = "(.+)"$/m.exec(project)?.[1];
  if (version === undefined) throw new Error("pyproject.toml names no version.");
  return version;
}

export function coreBesideScripts(): Plugin {
  const core = coreZip();
  const hash = createHash("sha256").update(core).digest("hex").slice(0, 12);
  const { version } = JSON.parse(readFileSync(join(FROM, "package.json"), "utf8")) as { version: string };
  const [python, zip] = [`assets/pyodide-${version}/`, `assets/core-${hash}.zip`];
  const files = [...FILES.map((file) => `/${python}${file}`), `/${zip}`];
  return {
    name: "core-beside-scripts",
    config: () => ({
      define: {
        __PYODIDE__: JSON.stringify(`/${python}`),
        __CORE__: JSON.stringify(`/${zip}`),
        __CORE_CACHE__: JSON.stringify(CORE_CACHE),
        __CORE_FILES__: JSON.stringify(files),
        __VERSION__: JSON.stringify(coreVersion()),
      },
    }),
    generateBundle() {
      for (const file of FILES)
        this.emitFile({ type: "asset", fileName: python + file, source: readFileSync(join(FROM, file)) });
      this.emitFile({ type: "asset", fileName: zip, source: core });
      const names = `const CACHE = ${JSON.stringify(CORE_CACHE)}, FILES = ${JSON.stringify(files)};\n`;
      const install = names + readFileSync(INSTALL, "utf8");
      this.emitFile({ type: "asset", fileName: "keep-core.js", source: install });
    },
  };
}
