import http from 'node:http';
import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';

/*
 * As little of a server as there can be: `/insert` writes a line as long as a change's, as safe, and `/nothing` only
 * answers. What the insert takes beyond that, between two processes that wait for each other, is what a change of
 * ours is measured by.
 */
const database = new Database(path.join(process.argv[2] ?? '.', 'bare-server.db'));
database.pragma('journal_mode = WAL');
database.pragma('synchronous = FULL');
database.exec('CREATE TABLE line (id TEXT PRIMARY KEY, body TEXT NOT NULL)');
const insert = database.prepare('INSERT INTO line VALUES (?, ?)');

const server = http.createServer((request, response) => {
  let body = '';
  request.setEncoding('utf8');
  request.on('data', (part: string) => (body += part));
  request.on('end', () => {
    if (request.url === '/insert') insert.run(ulid(), `${body}${'x'.repeat(900 - body.length)}`);
    response.end('{"answers":[]}');
  });
});
server.listen(0, '127.0.0.1', () => {
  process.send?.(server.address());
});
