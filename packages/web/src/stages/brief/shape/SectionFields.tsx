import { formatNumber } from '@anvilstone/core/foundations';
import { sectionGeometry, type SectionGeometry } from '@anvilstone/schema';
import { useState } from 'react';
import { Choice, Field, controlLook } from '../../../ui/fields.tsx';
import { useIssue } from '../editBrief.ts';
import { labelOf } from '../../../ui/form/fieldWords.ts';
import { SchemaField } from '../../../ui/form/SchemaField.tsx';
import type { FieldSchema } from '../../../ui/form/schemaField.ts';
import { sectionLike } from './geometryEdit.ts';

interface Branch {
  description: string;
  properties: Record<string, FieldSchema>;
}
const branches = (sectionGeometry as unknown as { oneOf: Branch[] }).oneOf;

/** The kind of cross-section and its dimensions, made from the schema. */
export function SectionFields({
  section,
  onChange,
}: {
  section: SectionGeometry;
  onChange: (section: SectionGeometry) => void;
}) {
  const branch = branches.find((one) => one.properties.kind!.const === section.kind)!;
  return (
    <>
      <Choice
        label="Section"
        value={section.kind}
        options={branches.map((one) => ({
          value: one.properties.kind!.const as SectionGeometry['kind'],
          label: labelOf(one.description).label,
        }))}
        onChange={(kind) => onChange(sectionLike(section, kind))}
      />
      {section.kind === 'polygon' ? (
        <Corners section={section} onChange={onChange} />
      ) : (
        Object.entries(branch.properties).map(([key, field]) =>
          key === 'kind' ? null : (
            <SectionField
              key={`${section.kind}-${key}`}
              name={key}
              field={field}
              value={(section as unknown as Record<string, number>)[key]!}
              onChange={(value) => onChange({ ...section, [key]: value } as SectionGeometry)}
            />
          ),
        )
      )}
    </>
  );
}

function SectionField({
  name,
  field,
  value,
  onChange,
}: {
  name: string;
  field: FieldSchema;
  value: number;
  onChange: (value: number) => void;
}) {
  const issue = useIssue(`/part/section/${name}`);
  return (
    <SchemaField
      name={name}
      schema={field}
      isRequired
      value={value}
      error={issue}
      onChange={(next) => onChange(next as number)}
    />
  );
}

/** Corners typed or pasted as “x y” pairs, one a line or separated by semicolons. */
function Corners({
  section,
  onChange,
}: {
  section: Extract<SectionGeometry, { kind: 'polygon' }>;
  onChange: (section: SectionGeometry) => void;
}) {
  const issue = useIssue('/part/section/corners');
  const [typed, setTyped] = useState<string | null>(null);
  const [complaint, setComplaint] = useState<string>();
  const shown = section.corners.map(({ xMm, yMm }) => `${formatNumber(xMm, 5)} ${formatNumber(yMm, 5)}`).join('; ');
  const read = (text: string) => {
    setTyped(text);
    const corners = text
      .split(/[;\n]+/)
      .map((pair) =>
        pair
          .trim()
          .replaceAll('−', '-')
          .split(/[\s,]+/)
          .map(Number),
      )
      .filter((pair) => pair.length > 1 || pair[0] !== 0);
    const bad = corners.findIndex((pair) => pair.length !== 2 || pair.some((one) => !Number.isFinite(one)));
    if (bad >= 0) return setComplaint(`Corner ${bad + 1} is not two numbers. The last valid outline is used.`);
    if (corners.length < 3) return setComplaint('Three corners or more are needed. The last valid outline is used.');
    setComplaint(undefined);
    onChange({ ...section, corners: corners.map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })) });
  };
  return (
    <div className="col-span-2">
      <Field
        label="Corners in mm, x y; x y; …"
        error={complaint ?? issue}
        hint={
          section.holes?.length
            ? `x across the load, y along it; with ${section.holes.length} ${section.holes.length === 1 ? 'hole' : 'holes'}`
            : 'x across the load, y along it'
        }
      >
        {(ids) => (
          <textarea
            {...ids}
            rows={2}
            className={controlLook}
            value={typed ?? shown}
            onChange={(event) => read(event.target.value)}
            onBlur={() => complaint === undefined && setTyped(null)}
          />
        )}
      </Field>
    </div>
  );
}
