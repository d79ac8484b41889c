import type { FileCheck } from '@anvilstone/schema';
import { useOwnName } from '../../../sync/api/useOwnName.ts';
import { useState } from 'react';
import { useCheckFileMutation, useKeepReceivedMutation } from '../decisionApi.ts';
import { Button } from '../../../ui/Button.tsx';
import { DropFile } from '../../../ui/DropFile.tsx';
import { TextField } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';

/** Whether a record that somebody sent is as it was sealed, and computes to the same numbers here. */
export function CheckFilePanel() {
  const [check, checking] = useCheckFileMutation();
  const [file, setFile] = useState<{ name: string; document: unknown }>();
  const [unreadable, setUnreadable] = useState<string>();
  const take = async (chosen: File) => {
    checking.reset();
    setUnreadable(undefined);
    setFile(undefined);
    try {
      const document = JSON.parse(await chosen.text()) as unknown;
      setFile({ name: chosen.name, document });
      await check(document).unwrap();
    } catch (error) {
      if (error instanceof SyntaxError)
        setUnreadable(`${chosen.name} is not JSON: ${error.message}. Ask for the record’s JSON export.`);
    }
  };
  return (
    <Panel title="Verify a record from another installation">
      <DropFile
        label="Record from another installation"
        words="Drop its JSON export here, or choose the file."
        accept=".json,application/json"
        onFile={(file) => void take(file)}
      />
      {unreadable && <p className="mt-2 text-fail">{unreadable}</p>}
      {checking.isLoading && <p className="mt-2 text-quiet">Verifying the seal and recomputing …</p>}
      {checking.error !== undefined && <ProblemNotice error={checking.error} />}
      {checking.data && file && <Verdict check={checking.data} name={file.name} document={file.document} />}
    </Panel>
  );
}

const VERDICT: Record<FileCheck['verdict'], { word: string; look: string }> = {
  intact: { word: '✓ Intact', look: 'border-pass text-pass' },
  tampered: { word: '✕ Tampered with', look: 'border-fail bg-fail-ground text-fail' },
  differs: {
    word: '! Unchanged, but recomputed with a different result',
    look: 'border-unknown bg-unknown-ground text-unknown',
  },
  unreadable: { word: '✕ Not a record that this version can read', look: 'border-fail bg-fail-ground text-fail' },
};

function Verdict({ check, name, document }: { check: FileCheck; name: string; document: unknown }) {
  const { word, look } = VERDICT[check.verdict];
  const { decision } = check;
  return (
    <div className="mt-3" role="status">
      <p className="text-sm text-quiet">{name}</p>
      <p className={`rounded border px-3 py-1 font-semibold ${look}`}>{word}</p>
      {decision && (
        <p className="mt-1">
          No. {decision.number}: {decision.brief.title}, {decision.decidedAt.slice(0, 10)}, {decision.decidedBy}
        </p>
      )}
      <ul className="mt-1 list-disc pl-5 text-sm">
        {[...check.findings, ...check.differences].map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
      {check.fingerprint && <KeyWords check={check} />}
      {(check.verdict === 'intact' || check.verdict === 'differs') && !check.ownKey && <Keep document={document} />}
    </div>
  );
}

function KeyWords({ check: { fingerprint, ownKey, knownKey } }: { check: FileCheck }) {
  if (ownKey) return <p className="mt-1 text-sm">Sealed by this installation.</p>;
  return (
    <p className="mt-1 text-sm">
      Sealed with key <span className="font-semibold whitespace-nowrap">{fingerprint}</span>.{' '}
      {knownKey
        ? 'Key known from an earlier record.'
        : 'Unknown key: ask the sender to confirm it. The seal only shows that the record has not changed since it was sealed with that key.'}
    </p>
  );
}

function Keep({ document }: { document: unknown }) {
  const [keep, keeping] = useKeepReceivedMutation();
  const [by, setBy] = useState(useOwnName());
  if (keeping.data) return <p className="mt-2 text-pass">Saved.</p>;
  return (
    <div className="mt-2 flex items-end gap-2">
      <div className="grow">
        <TextField label="Saved by" value={by} maxLength={120} onChange={setBy} />
      </div>
      <Button
        disabled={by.trim() === '' || keeping.isLoading}
        onClick={() => void keep({ file: document, receivedBy: by })}
      >
        Save record
      </Button>
      {keeping.error !== undefined && <ProblemNotice error={keeping.error} />}
    </div>
  );
}
