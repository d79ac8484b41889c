import { connect } from './connection.ts';
import { testDatabase } from '../testDatabase.ts';

test('what is asked of a transaction all at once is asked of its connection one by one, in order, and one failure holds up nobody', async () => {
  const { url, drop } = await testDatabase({});
  const db = connect(url);
  let underWay = 0;
  let most = 0;
  const order: string[] = [];
  const settled = await db.transaction(async (trx) => {
    const client = trx.client as { acquireConnection(): Promise<{ query(...args: unknown[]): unknown }> };
    const connection = await client.acquireConnection();
    const query = connection.query.bind(connection);
    connection.query = (...args: unknown[]) => {
      most = Math.max(most, ++underWay);
      // As a text alone the connection is told on whose behalf it writes.
      const [asked] = args as [string | { text: string }];
      if (typeof asked !== 'string') order.push(asked.text);
      const done = args.at(-1) as (...answer: unknown[]) => void;
      return query(...args.slice(0, -1), (...answer: unknown[]) => {
        underWay -= 1;
        done(...answer);
      });
    };
    await trx.raw('savepoint before');
    const all = await Promise.allSettled([
      trx.raw('select pg_sleep(0.05)'),
      trx.raw('select 2 as n'),
      trx.raw('select 1 / 0'),
      trx.raw('rollback to savepoint before'),
      trx.raw('select 5 as n'),
    ]);
    connection.query = query;
    return all.map(({ status }) => status);
  });
  await db.destroy();
  await drop();
  expect(settled).toEqual(['fulfilled', 'fulfilled', 'rejected', 'fulfilled', 'fulfilled']);
  expect(order).toEqual([
    'savepoint before',
    'select pg_sleep(0.05)',
    'select 2 as n',
    'select 1 / 0',
    'rollback to savepoint before',
    'select 5 as n',
  ]);
  expect(most).toBe(1);
});
