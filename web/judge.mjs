/** The core in a browser's Python, asked from a shell: for tests. Takes {id: {record, acts}} as JSON, gives {id: what it says}. */
import { readFileSync } from "node:fs";

import { loadPyodide } from "pyodide";

const [, , zip] = process.argv;
const asked = JSON.parse(readFileSync(0, "utf8"));
const python = await loadPyodide();
python.unpackArchive(new Uint8Array(readFileSync(zip)), "zip", { extractDir: "/core" });
const visits = python.runPython(
  'import sys; sys.path.insert(0, "/core"); from outer_test.on_device import Visits; Visits()',
);
const said = {};
for (const [id, { record, acts }] of Object.entries(asked)) {
  visits.keep(id, JSON.stringify(record), 0);
  said[id] = JSON.parse(visits.judge(id, JSON.stringify(acts)));
}
process.stdout.write(JSON.stringify(said));
