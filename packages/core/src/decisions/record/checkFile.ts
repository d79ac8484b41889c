import { decisionFile, type DecisionFile, type FileCheck } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { ENGINE_VERSION } from '@anvilstone/core/evaluation';
import { InputError } from '@anvilstone/core/foundations';
import { recomputeDecision } from './recompute.ts';
import { checkSeal, fingerprintOf } from './seal.ts';

const fits = validator(decisionFile);
const MOST_SHOWN = 20;

/**
 * A record that came from elsewhere, checked in three ways: that it is one, that it is as it was sealed, and that its numbers come out again here.
 * A seal that holds only says that nobody changed it since whoever has that key sealed it: whose key it is, has to be asked.
 */
export function checkDecisionFile(
  document: unknown,
  keys: { own?: string; known?: readonly string[] } = {},
): FileCheck {
  const checked = fits(document);
  if (!checked.ok) {
    const findings = checked.issues
      .slice(0, MOST_SHOWN)
      .map(({ pointer, detail }) => `${pointer || 'The file'}: ${detail}`);
    return { ...EMPTY, findings: ['Not a decision record that this version can read.', ...findings] };
  }
  const file: DecisionFile = checked.value;
  const { digestHolds, signatureHolds, strangeSignOffs } = checkSeal(file);
  const { publicKey } = file.seal;
  const ownKey = publicKey === keys.own;
  const sealed = digestHolds && signatureHolds && strangeSignOffs.length === 0;
  const { differences, failed } = computed(file);
  const { engineVersion } = file.decision;
  const findings = [
    digestHolds ? 'Unchanged since sealing: the digest agrees.' : 'Changed after sealing: the digest does not agree.',
    signatureHolds ? 'The seal matches the stated key.' : 'The seal does not match the stated key.',
    ...strangeSignOffs.map((by) => `The signature of ${by} is under another record than this one.`),
    ...(failed ? [failed] : []),
    ...(failed
      ? []
      : [
          differences.length === 0
            ? `Recomputed here with engine ${ENGINE_VERSION}: every number agrees.`
            : `Recomputed here with engine ${ENGINE_VERSION}, frozen with ${engineVersion}: ${differences.length} numbers differ.`,
        ]),
  ];
  return {
    verdict: !sealed ? 'tampered' : differences.length > 0 || failed ? 'differs' : 'intact',
    ownKey,
    knownKey: ownKey || (keys.known ?? []).includes(publicKey),
    fingerprint: fingerprintOf(publicKey),
    findings,
    differences: differences.slice(0, MOST_SHOWN),
    decision: file.decision,
    signOffs: file.signOffs,
  };
}

const EMPTY: FileCheck = {
  verdict: 'unreadable',
  ownKey: false,
  knownKey: false,
  fingerprint: null,
  findings: [],
  differences: [],
  decision: null,
  signOffs: [],
};

function computed({ decision }: DecisionFile): { differences: string[]; failed?: string } {
  try {
    return { differences: recomputeDecision(decision) };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { differences: [], failed: `It cannot be recomputed here: ${error.message}` };
  }
}
