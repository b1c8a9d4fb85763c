/** Where the build put this browser's Python and the core (vite.config.ts). */
declare const __PYODIDE__: string;
declare const __CORE__: string;
/** The cache that they are kept in, and all of their files, the core among them. */
declare const __CORE_CACHE__: string;
declare const __CORE_FILES__: string[];
/** The version of this app and its core. */
declare const __VERSION__: string;
