import { createServer } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import express from 'express';
import { strangersBodyWithin } from './jsonBody.ts';

test('a stranger who sends the beginning of a body and no more is let go; one who sends it all is answered', async () => {
  const app = express();
  app.post('/', strangersBodyWithin(200), (req, res) => void res.json(req.body));
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const told = (text: string) =>
    new Promise<string>((resolve) => {
      const socket = connect(port, '127.0.0.1');
      let answer = '';
      socket.on('data', (chunk: Buffer) => (answer += chunk.toString()));
      socket.on('error', () => undefined);
      socket.on('close', () => resolve(answer));
      socket.write(`POST / HTTP/1.1\r\nHost: a\r\nConnection: close\r\nContent-Length: 9\r\n\r\n${text}`);
    });
  try {
    expect(await told('{"a":1234')).toMatch(/^HTTP\/1.1 400/);
    expect(await told('{"a":123}')).toMatch(/\{"a":123\}$/);
    // Closed by the server: without its limit this would wait until the test is given up.
    expect(await told('{"a"')).toBe('');
  } finally {
    server.close();
  }
});
