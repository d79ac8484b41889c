import type { Claim, ImportSettings, Observation, PropertyId } from '@anvilstone/schema';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import { CLAIM_FIELDS, fieldValue, GRADE_FIELDS, OBSERVATION_FIELDS, type FieldDefinition } from '../fields.ts';
import { familyInName } from '../reading/familyMatch.ts';
import { propertyOf } from '../reading/headerMeaning.ts';
import { readCell, type DecimalSign } from '../reading/readCell.ts';
import type { RawTable, TableRow } from '../table.ts';
import type { Layout, MappedColumn } from './columns.ts';
import { Drafts, type GradeDraft } from './draft.ts';
import { readFamily, readFiller } from './familyQuestions.ts';
import { fieldNumber } from './fieldNumber.ts';
import type { Issues } from './issues.ts';
import type { Questions } from './questions.ts';
import { readResult } from './readResult.ts';
import { hasVocabulary, termFor } from './words.ts';

export interface RowsInput {
  table: RawTable;
  columns: readonly MappedColumn[];
  layout: Layout;
  decimal: DecimalSign;
  settings: ImportSettings;
  fileName: string;
  questions: Questions;
  issues: Issues;
  onProgress?: ((share: number) => void) | undefined;
}

const ROWS_A_STEP = 500;
const definitions = new Map<string, FieldDefinition>([
  ...GRADE_FIELDS.map((one): [string, FieldDefinition] => [`grade.${one.path}`, one]),
  ...OBSERVATION_FIELDS.map((one): [string, FieldDefinition] => [`observation.${one.path}`, one]),
  ...CLAIM_FIELDS.map((one): [string, FieldDefinition] => [`claim.${one.path}`, one]),
]);

/** Reads every row into drafts. What cannot be read is an issue with its line and column; what is unclear, a question. */
export function readRows(input: RowsInput): GradeDraft[] {
  const drafts = new Drafts();
  const leftOut = new Set(input.settings.leftOut ?? []);
  const byTarget = new Map(input.columns.map((one) => [one.target, one]));
  const { rows } = input.table;
  rows.forEach((row, i) => {
    if (i % ROWS_A_STEP === 0) input.onProgress?.(i / rows.length);
    if (!leftOut.has(row.line)) new RowReader(row, input, byTarget).into(drafts);
  });
  return drafts.list();
}

class RowReader {
  private readonly row: TableRow;
  private readonly input: RowsInput;
  private readonly byTarget: ReadonlyMap<string, MappedColumn>;
  constructor(row: TableRow, input: RowsInput, byTarget: ReadonlyMap<string, MappedColumn>) {
    this.row = row;
    this.input = input;
    this.byTarget = byTarget;
  }

  into(drafts: Drafts): void {
    const { settings, issues } = this.input;
    const name = this.text('grade.name');
    const id = this.text('grade.id');
    const maker = this.text('grade.maker') || settings.maker || '';
    if (name === '' && id === '') {
      issues.error(this.place('grade.name'), 'The row names no grade');
      return;
    }
    if (maker === '' && id === '') {
      issues.error(
        this.place('grade.maker'),
        'The maker is missing: map a column to it, or name one maker for the whole file',
      );
      return;
    }
    const draft = drafts.at(id || undefined, maker, name, this.row.line);
    if (maker !== '' && !draft.fields.has('maker')) draft.fields.set('maker', maker);
    this.readGradeFields(draft);
    const record = this.text('record');
    if (record === 'claim') this.readClaim(draft);
    else if (this.input.layout === 'long') {
      if (record !== 'grade') this.readLongObservation(draft);
    } else this.readWideObservations(draft);
  }

  private column = (target: string) => this.byTarget.get(target);
  private text(target: string): string {
    const column = this.column(target);
    return column ? this.row.cells[column.column]! : '';
  }
  private place(target: string) {
    const column = this.column(target);
    return {
      line: this.row.line,
      column: column?.column ?? null,
      header: column?.header ?? '',
      text: this.text(target),
    };
  }

  private readGradeFields(draft: GradeDraft): void {
    for (const column of this.input.columns) {
      if (!column.target.startsWith('grade.')) continue;
      const text = this.row.cells[column.column]!;
      if (text === '') continue;
      const path = column.target.slice('grade.'.length);
      if (path === 'familyId') this.setFamily(draft, text);
      else if (path === 'reinforcementId') this.setFiller(draft, text);
      else if (/^process\.(nozzleC|bedC|chamberC|fanPct)$/.test(path)) this.setRange(draft, path, column, text);
      else this.setField(draft, path, column, text);
    }
    if (!draft.fields.has('familyId') && !draft.familyAsked && draft.line === this.row.line) this.familyFromName(draft);
  }

  private setField(draft: GradeDraft, path: string, column: MappedColumn, text: string): void {
    const definition = definitions.get(column.target);
    if (!definition) return;
    const read = definition.kind === 'number' ? this.number(definition, column, text) : fieldValue(text, definition);
    if (read.ok) draft.fields.set(path, read.value);
    else this.input.issues.error(this.place(column.target), read.message);
  }

  /** A plain number, brought to the field's own unit; the middle of a range. */
  private number(definition: FieldDefinition, column: MappedColumn, text: string) {
    const reading = readCell(text, this.input.decimal);
    if (reading.kind !== 'number') return fieldValue(text, definition);
    const value = reading.value ?? (reading.low! + reading.high!) / 2;
    return fieldNumber(definition.path, value, statedUnits(reading.unit, column));
  }

  private setRange(draft: GradeDraft, path: string, column: MappedColumn, text: string): void {
    const reading = readCell(text, this.input.decimal);
    if (reading.kind === 'empty') return;
    if (reading.kind !== 'number') {
      this.input.issues.error(this.place(column.target), `“${text}” is neither a number nor a range such as 230–250`);
      return;
    }
    for (const [end, value] of [
      ['low', reading.low ?? reading.value!],
      ['high', reading.high ?? reading.value!],
    ] as const) {
      const read = fieldNumber(path, value, statedUnits(reading.unit, column));
      if (read.ok) draft.fields.set(`${path}.${end}`, read.value);
      else if (end === 'low') this.input.issues.error(this.place(column.target), read.message);
    }
  }

  private setFamily(draft: GradeDraft, text: string): void {
    const match = readFamily(text, this.input.questions, this.row.line);
    if (!match) {
      draft.familyAsked = true;
      return;
    }
    draft.fields.set('familyId', match.familyId);
    if (match.reinforcementId !== null && !draft.fields.has('reinforcementId'))
      draft.fields.set('reinforcementId', match.reinforcementId);
  }

  private setFiller(draft: GradeDraft, text: string): void {
    const filler = readFiller(text, this.input.questions, this.row.line);
    if (filler !== undefined) draft.fields.set('reinforcementId', filler);
  }

  private familyFromName(draft: GradeDraft): void {
    const match = familyInName(this.text('grade.name'));
    if (!match) return;
    draft.fields.set('familyId', match.familyId);
    if (match.reinforcementId !== null) draft.fields.set('reinforcementId', match.reinforcementId);
    this.input.issues.remark(
      this.place('grade.name'),
      `No family stated; taken from the name: ${match.familyId}${match.reinforcementId ? `, ${match.reinforcementId}` : ''}`,
    );
  }

  private readWideObservations(draft: GradeDraft): void {
    for (const column of this.input.columns) {
      if (!column.target.startsWith('property.')) continue;
      const property = column.target.slice('property.'.length) as PropertyId;
      if (!(property in PROPERTY_DEFINITIONS)) continue;
      const conditions = column.conditions as Partial<Observation>;
      const result = this.result(draft, column, property, column.unit, conditions, `${column.column}`);
      if (result)
        draft.observations.push({
          line: this.row.line,
          stated: { property, ...this.provenance(), ...conditions, ...result },
        });
    }
  }

  private readLongObservation(draft: GradeDraft): void {
    const name = this.text('observation.property');
    const stated = this.observationFields();
    if (name === '') {
      this.input.issues.error(this.place('observation.property'), 'The row names no property');
      return;
    }
    const property = this.property(name);
    if (!property) return;
    const column = this.column('observation.value');
    const unit = this.text('observation.unit') || null;
    const known = { property, ...this.provenance(), ...stated };
    if (!column || this.row.cells[column.column] === '') {
      draft.observations.push({ line: this.row.line, stated: { ...known, ...(unit ? { unit } : {}) } });
      return;
    }
    const result = this.result(draft, column, property, unit, stated, property);
    if (result) draft.observations.push({ line: this.row.line, stated: { ...known, ...result } });
  }

  private result(
    draft: GradeDraft,
    column: MappedColumn,
    property: PropertyId,
    unit: string | null,
    conditions: Partial<Observation>,
    group: string,
  ) {
    const header = this.input.layout === 'long' ? PROPERTY_DEFINITIONS[property].title : column.header;
    return readResult(
      {
        line: this.row.line,
        column: column.column,
        header,
        text: this.row.cells[column.column]!,
        property,
        unit,
        conditions,
        familyId: draft.fields.get('familyId') as string | undefined,
        reinforcementId: (draft.fields.get('reinforcementId') as string | null | undefined) ?? null,
        settled: this.text('observation.id') !== '',
        group,
      },
      this.input,
    );
  }

  private property(name: string): PropertyId | undefined {
    const known = propertyOf(name);
    if (known) return known;
    const choices = Object.entries(PROPERTY_DEFINITIONS).map(([id, { title, group }]) => ({
      id,
      label: title,
      means: group,
    }));
    const answer = this.input.questions.ask(
      `property:${name}`,
      () => ({
        kind: 'property',
        text: `Which property is “${name}”?`,
        detail: 'It is none that is known under this name.',
        choices: [...choices, { id: 'ignore', label: 'None of these', means: 'rows with it are not imported' }],
      }),
      { line: this.row.line, text: name },
    );
    return answer === undefined || answer === 'ignore' ? undefined : (answer as PropertyId);
  }

  /** Everything of an observation but its property, value and unit. */
  private observationFields(): Partial<Observation> {
    const stated: Record<string, unknown> = {};
    for (const mapped of this.input.columns) {
      const { column, target, header } = mapped;
      if (!target.startsWith('observation.')) continue;
      const path = target.slice('observation.'.length);
      const text = this.row.cells[column]!;
      if (text === '' || path === 'property' || path === 'value' || path === 'unit') continue;
      const definition = definitions.get(target)!;
      if (hasVocabulary(path) && text !== 'not stated') {
        const term = termFor(path, text);
        if (term) stated[path] = term;
        else
          this.input.issues.error(
            { line: this.row.line, column, header, text },
            `“${text}” is not understood as ${definition.header.toLowerCase()}`,
          );
        continue;
      }
      const read = definition.kind === 'number' ? this.number(definition, mapped, text) : fieldValue(text, definition);
      if (read.ok) stated[path] = read.value;
      else this.input.issues.error({ line: this.row.line, column, header, text }, read.message);
    }
    return stated;
  }

  private readClaim(draft: GradeDraft): void {
    const stated: Record<string, unknown> = {};
    for (const { column, target, header } of this.input.columns) {
      if (!target.startsWith('claim.')) continue;
      const text = this.row.cells[column]!;
      if (text === '') continue;
      const read = fieldValue(text, definitions.get(target)!);
      if (read.ok) stated[target.slice('claim.'.length)] = read.value;
      else this.input.issues.error({ line: this.row.line, column, header, text }, read.message);
    }
    draft.claims.push({ line: this.row.line, stated: stated as Partial<Claim> });
  }

  private provenance(): Partial<Observation> {
    const { settings, fileName } = this.input;
    const reference = this.input.layout === 'wide' ? this.text('observation.reference') : '';
    return { source: settings.source ?? 'datasheet', reference: reference || settings.reference || fileName };
  }
}

const statedUnits = (cellUnit: string, { unit, header }: MappedColumn) => ({ cellUnit, columnUnit: unit, header });
