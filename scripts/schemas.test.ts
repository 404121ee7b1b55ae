import { readFileSync } from 'node:fs';

import { fileSchemas } from '@/core/plans/files';

describe('the schemas in docs/schemas', () => {
  it.each(Object.entries(fileSchemas))('say what is read and written: %s', (name, schema) => {
    const kept = JSON.parse(readFileSync(`docs/schemas/${name}.schema.json`, 'utf8')) as unknown;
    expect(kept).toEqual(JSON.parse(JSON.stringify(schema())));
  });
});
