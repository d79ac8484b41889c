// The least that a server can be: it starts, asks its database one thing, and answers every request with what it was given.
import { createServer } from 'node:http';
import pg from 'pg';

const client = new pg.Client({ connectionString: process.env.ANVILSTONE_DATABASE_URL });
await client.connect();
await client.query('select 1');
const answer = Buffer.alloc(Number(process.env.ANSWER_BYTES ?? 1000), 'x');
const server = createServer((_req, res) => {
  res.setHeader('Content-Type', 'application/json');
  res.end(answer);
});
server.listen(0, '127.0.0.1', () => process.send?.({ ready: true, port: server.address().port }));
