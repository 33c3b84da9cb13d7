// Fetches the OpenAPI document of a running server into openapi.json, from which the types are made.
import { writeFileSync } from "node:fs";

const port = process.env.IMPERAN_PORT ?? "8420";
const answer = await fetch(`http://127.0.0.1:${port}/api/openapi`);
if (!answer.ok) throw new Error(`The server answers ${answer.status}; is it running on port ${port}?`);
writeFileSync(new URL("openapi.json", import.meta.url), `${JSON.stringify(await answer.json(), null, 2)}\n`);
