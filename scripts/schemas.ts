// `npm run schemas`: JSON Schemas of the files that Cendro writes, into docs/schemas.
import { mkdirSync, writeFileSync } from 'node:fs';

import { fileSchemas } from '@/core/plans/files';

mkdirSync('docs/schemas', { recursive: true });
for (const [name, schema] of Object.entries(fileSchemas))
  writeFileSync(`docs/schemas/${name}.schema.json`, `${JSON.stringify(schema(), null, 2)}\n`);
