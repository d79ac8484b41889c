import { newPrivateKey, publicKeyOf } from '@anvilstone/core/decisions';
import type { Knex } from 'knex';

/** The key that seals this installation’s records, made when it is first needed. Never part of an answer or an archive. */
export async function installationKey(db: Knex): Promise<string> {
  const find = async () => (await db('installation_keys').first('private_key')) as { private_key: string } | undefined;
  const found = await find();
  if (found) return found.private_key;
  // Two that come at once: the first one's stands.
  await db('installation_keys').insert({ private_key: newPrivateKey() }).onConflict('only_one').ignore();
  return (await find())!.private_key;
}

export const installationPublicKey = async (db: Knex): Promise<string> => publicKeyOf(await installationKey(db));
