import { PROPERTIES, type PropertyId } from '@anvilstone/schema';
import { type TestParameter, isClass, PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';

/** One property as a column of the library’s table, at test parameters of its own where it needs them. */
export interface TableColumn {
  id: string;
  title: string;
  property: PropertyId;
  parameters?: Partial<Record<TestParameter, number>>;
}

const HDT_STRESSES_MPA = [0.45, 1.8] as const;
/** Needs a fluid to be chosen first, or a time and stress: shown grade by grade and not as a column. */
const NOT_A_COLUMN: ReadonlySet<PropertyId> = new Set(['chemicalResistance', 'creepModulus', 'fatigueStrength']);

export const TABLE_COLUMNS: readonly TableColumn[] = PROPERTIES.filter((one) => !NOT_A_COLUMN.has(one)).flatMap(
  (property): TableColumn[] => {
    const { title } = PROPERTY_DEFINITIONS[property];
    if (property !== 'heatDeflectionTemperature') return [{ id: property, title, property }];
    return HDT_STRESSES_MPA.map((hdtStressMPa) => ({
      id: `${property}@${hdtStressMPa}`,
      title: `HDT at ${hdtStressMPa} MPa`,
      property,
      parameters: { hdtStressMPa },
    }));
  },
);

const byId = new Map(TABLE_COLUMNS.map((column) => [column.id, column]));
export const findTableColumn = (id: string): TableColumn | undefined => byId.get(id);
export const isClassColumn = ({ property }: TableColumn): boolean => isClass(property);
