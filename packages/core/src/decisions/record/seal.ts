import type { Decision, DecisionFile, Seal, SignOff } from '@anvilstone/schema';
import { ed25519 } from '@noble/curves/ed25519';
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, hexToBytes, utf8ToBytes } from '@noble/hashes/utils';
import canonicalize from 'canonicalize';

/** SHA-256, hexadecimal, of a document in canonical JSON (RFC 8785): the order of fields and the spacing do not count. */
export const digestOf = (document: unknown): string => bytesToHex(sha256(utf8ToBytes(canonicalize(document) ?? '')));

/** What the seal covers. */
const sealedPart = (decision: Decision, signOffs: readonly SignOff[]) => ({ decision, signOffs });

/** A new Ed25519 key of an installation, 32 bytes in hexadecimal. */
export const newPrivateKey = (): string => bytesToHex(ed25519.utils.randomPrivateKey());
export const publicKeyOf = (privateKey: string): string => bytesToHex(ed25519.getPublicKey(hexToBytes(privateKey)));

/** Short enough to be read out over the telephone: 5A1C-9F02-… of the key’s own digest. */
export const fingerprintOf = (publicKey: string): string =>
  bytesToHex(sha256(hexToBytes(publicKey)))
    .slice(0, 24)
    .toUpperCase()
    .match(/.{4}/g)!
    .join('-');

export function sealOf(decision: Decision, signOffs: readonly SignOff[], privateKey: string): Seal {
  const digest = digestOf(sealedPart(decision, signOffs));
  return {
    digest,
    publicKey: publicKeyOf(privateKey),
    signature: bytesToHex(ed25519.sign(hexToBytes(digest), hexToBytes(privateKey))),
  };
}

export interface SealFinding {
  /** Nothing was changed since it was sealed. */
  digestHolds: boolean;
  /** It was sealed with the key that it names. */
  signatureHolds: boolean;
  /** Signatures under another decision than this one. */
  strangeSignOffs: readonly string[];
}

/** Whether a record is as it was sealed. Whose key it is, the reader has to know. */
export function checkSeal({ decision, signOffs, seal }: DecisionFile): SealFinding {
  const ownDigest = digestOf(decision);
  return {
    digestHolds: digestOf(sealedPart(decision, signOffs)) === seal.digest,
    signatureHolds: signatureHolds(seal),
    strangeSignOffs: signOffs.filter((one) => one.decisionDigest !== ownDigest).map(({ by }) => by),
  };
}

function signatureHolds({ digest, publicKey, signature }: Seal): boolean {
  try {
    return ed25519.verify(hexToBytes(signature), hexToBytes(digest), hexToBytes(publicKey));
  } catch {
    // Not a point of the curve: somebody typed it.
    return false;
  }
}
