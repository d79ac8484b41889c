// So many clients at once, each asking again as soon as it has its answer. Started by library.ts in a thread of its own.
import { Agent, get } from 'node:http';
import { parentPort, workerData } from 'node:worker_threads';

const { port, clients, requestsAClient, queries } = workerData;
const agent = new Agent({ keepAlive: true, maxSockets: clients });
const ask = (query) =>
  new Promise((resolve, reject) => {
    get({ host: '127.0.0.1', port, path: `/api/v1/grades?${query}`, agent }, (response) => {
      response.resume();
      response.on('end', () =>
        response.statusCode === 200 ? resolve() : reject(new Error(`${query}: ${response.statusCode}`)),
      );
    }).on('error', reject);
  });

async function client(which, times) {
  for (let i = 0; i < requestsAClient; i++) {
    const from = performance.now();
    await ask(queries[(which + i) % queries.length]);
    times.push(performance.now() - from);
  }
}
const round = (times) => Promise.all(Array.from({ length: clients }, (_, which) => client(which * 7, times)));

// Warms pool, plans and code, on questions that are not asked again.
for (let i = 0; i < clients * 10; i += clients) {
  await Promise.all(Array.from({ length: clients }, (_, which) => ask(`limit=50&offset=${3000 + i + which}`)));
}
// Every question once, the clients taking turns; then the mixture.
const firstTimes = [];
let nextQuestion = 0;
await Promise.all(
  Array.from({ length: clients }, async () => {
    while (nextQuestion < queries.length) {
      const query = queries[nextQuestion++];
      const from = performance.now();
      await ask(query);
      firstTimes.push(performance.now() - from);
    }
  }),
);
const times = [];
const from = performance.now();
await round(times);
agent.destroy();
parentPort.postMessage({ times, firstTimes, elapsedMs: performance.now() - from });
