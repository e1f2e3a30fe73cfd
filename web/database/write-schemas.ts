import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import * as z from 'zod';
import { archiveSchema } from '../src/lib/server/archive/archive-schema.ts';
import { JSON_FORMATS } from '@oculon/core';

/** Writes the JSON Schemas of the formats that other programs read. */
const FOLDER = 'docs/formats';

mkdirSync(FOLDER, { recursive: true });
for (const [name, schema] of Object.entries({ ...JSON_FORMATS, archive: archiveSchema })) {
  const file = join(FOLDER, `oculon.${name}.1.schema.json`);
  writeFileSync(file, `${JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 2)}\n`);
  console.log(file);
}
