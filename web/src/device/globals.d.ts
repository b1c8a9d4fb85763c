/** Where the build put this browser's Python and the core (vite.config.ts). */
declare const __PYODIDE__: string;
declare const __CORE__: string;
