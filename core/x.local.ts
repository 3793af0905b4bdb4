import fs from 'node:fs';
import { readWorkFile } from './src/work/bring/readWorkFile';
const b = new Uint8Array(fs.readFileSync('/tmp/notes_fr.xlsx'));
readWorkFile(b, { zone: 'UTC' }).then(
  (s) => console.log(JSON.stringify(s, null, 1).slice(0, 4000)),
  (e) => console.log(e),
);
