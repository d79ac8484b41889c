import type { Grade, Observation } from '@anvilstone/schema';
import { XMLBuilder } from 'fast-xml-parser';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import { cellOf, CLAIM_FIELDS, GRADE_FIELDS, OBSERVATION_FIELDS, type FieldDefinition } from '../fields.ts';
import { CLAIM_PROPERTY } from '../matmlNames.ts';

/** What MatML has a place of its own for; everything else of an observation travels as a parameter. */
const NAMED = new Set(['property', 'value', 'unit']);
const BULK = new Set(['name', 'maker', 'familyId', 'note']);

/** Ids are given as names are met: MatML keeps names and units once, at the end of the document. */
class Registry {
  private readonly ids = new Map<string, { id: string; name: string; unit: string }>();
  private readonly prefix: string;
  constructor(prefix: string) {
    this.prefix = prefix;
  }
  idOf(name: string, unit = ''): string {
    const key = `${name}\n${unit}`;
    const known = this.ids.get(key);
    if (known) return known.id;
    const id = `${this.prefix}${this.ids.size + 1}`;
    this.ids.set(key, { id, name, unit });
    return id;
  }
  details(): object[] {
    return [...this.ids.values()].map(({ id, name, unit }) => ({
      '@_id': id,
      Name: name,
      ...(unit === '' ? { Unitless: '' } : { Units: { '@_name': unit, Unit: { Name: unit } } }),
    }));
  }
}

/** MatML 3.1. Values keep the unit they were reported in: a property met in two units is listed twice in the metadata. */
export function writeMatml(grades: readonly Grade[]): string {
  const properties = new Registry('p');
  const parameters = new Registry('c');
  const parameterValues = (record: Parameters<typeof cellOf>[0], fields: readonly FieldDefinition[]) =>
    fields.flatMap((field) => {
      const cell = cellOf(record, field);
      if (cell === null || NAMED.has(field.path)) return [];
      const format = typeof cell === 'number' ? 'float' : 'string';
      return [{ '@_parameter': parameters.idOf(field.header), '@_format': format, Data: String(cell) }];
    });
  const observation = (one: Observation) => ({
    '@_property': properties.idOf(PROPERTY_DEFINITIONS[one.property].title, one.unit),
    Data:
      one.value === undefined
        ? { '@_format': 'string', '#text': '-' }
        : { '@_format': 'float', '#text': String(one.value) },
    ParameterValue: parameterValues(one, OBSERVATION_FIELDS),
  });
  const materials = grades.map((grade) => ({
    BulkDetails: {
      Name: grade.name,
      Class: { Name: grade.familyId },
      Source: { '@_source': grade.maker },
      PropertyData: [
        ...GRADE_FIELDS.filter(({ path }) => !BULK.has(path)).flatMap((field) => {
          const cell = cellOf(grade, field);
          return cell === null
            ? []
            : [{ '@_property': properties.idOf(field.header), Data: { '@_format': 'string', '#text': String(cell) } }];
        }),
        ...grade.observations.map(observation),
        ...(grade.claims ?? []).map((claim) => ({
          '@_property': properties.idOf(CLAIM_PROPERTY),
          Data: { '@_format': 'string', '#text': claim.statement },
          ParameterValue: parameterValues(claim, CLAIM_FIELDS),
        })),
      ],
      ...(grade.note === undefined ? {} : { Notes: grade.note }),
    },
  }));
  const builder = new XMLBuilder({ ignoreAttributes: false, format: true, indentBy: ' ', suppressEmptyNode: true });
  const body = builder.build({
    '?xml': { '@_version': '1.0', '@_encoding': 'UTF-8' },
    MatML_Doc: {
      Material: materials,
      Metadata: { PropertyDetails: properties.details(), ParameterDetails: parameters.details() },
    },
  }) as string;
  return body;
}
