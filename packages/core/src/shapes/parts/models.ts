import type { LoadKind, PartGeometry, PartModelId } from '@anvilstone/schema';
import type { Fill } from '../infill/fill.ts';
import { InputError } from '@anvilstone/core/foundations';
import { beam } from './beam.ts';
import { boltedFlange } from './boltedFlange.ts';
import { cantileverArm } from './cantileverArm.ts';
import { elastomerPad } from './elastomerPad.ts';
import { flexure } from './flexure.ts';
import { gearTooth } from './gearTooth.ts';
import { hotContact } from './hotContact.ts';
import type { AnyPartModel, PartBody, SizeKind } from './partModel.ts';
import { pinnedLug } from './pinnedLug.ts';
import { plate } from './plate.ts';
import { ring } from './ring.ts';
import { sectionAtPlane } from './sectionAtPlane.ts';
import { snapHook } from './snapHook.ts';
import { strut } from './strut.ts';
import { tie } from './tie.ts';
import { torsionShaft } from './torsionShaft.ts';
import { wallBracket } from './wallBracket.ts';

/** Every part model, in the order in which an engineer is offered them. The next one is one module and one line here. */
export const partModels: readonly AnyPartModel[] = [
  cantileverArm,
  beam,
  tie,
  strut,
  wallBracket,
  pinnedLug,
  snapHook,
  flexure,
  ring,
  plate,
  torsionShaft,
  gearTooth,
  elastomerPad,
  boltedFlange,
  hotContact,
  sectionAtPlane,
] as readonly AnyPartModel[];

const byId = new Map(partModels.map((model) => [model.id, model]));

/** @throws InputError when no model has this name */
export function findPartModel(id: PartModelId): AnyPartModel {
  const model = byId.get(id);
  if (!model) throw new InputError('model', id, `one of ${partModels.map((one) => one.id).join(', ')} is needed`);
  return model;
}

/** @throws InputError when no model has this name or a dimension cannot be used */
export function partBody(geometry: PartGeometry, fill?: Fill): PartBody {
  const model = findPartModel(geometry.model);
  if (fill && !takesFill(geometry))
    throw new InputError(
      'filled',
      model.title,
      'walls and infill are worked out for arms, beams, ties, struts, cuts with a drawn section, and pads; this part is taken as solid',
    );
  return model.body(geometry, fill);
}

/** Whether walls and infill can be worked out for this part: its section has to be known as an outline. */
export function takesFill(geometry: PartGeometry): boolean {
  if (!findPartModel(geometry.model).takesFill) return false;
  return !('section' in geometry) || geometry.section.kind !== 'measured';
}

/** Whether it works by bending, so that bending tests tell of it. */
export const worksByBending = ({ model }: PartGeometry): boolean => findPartModel(model).bends ?? false;

/** The field that says how large a load of this kind is on this part; undefined: the model does not take that kind. */
export function sizeKindOf(geometry: PartGeometry, kind: LoadKind): SizeKind | undefined {
  return findPartModel(geometry.model).takes(geometry)[kind];
}
