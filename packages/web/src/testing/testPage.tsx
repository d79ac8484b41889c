import { sampleLibrary } from '@anvilstone/core/education/sample';
import type { UnitSystem } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Brief } from '@anvilstone/schema';
import { configureStore } from '@reduxjs/toolkit';
import { NodeType, parse, type HTMLElement } from 'node-html-parser';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { Provider } from 'react-redux';
import { MemoryRouter, Outlet, Route, Routes } from 'react-router';
import { api } from '../sync/api/api.ts';
import { unitsChosen } from '../sync/store/settings.ts';
import { reducer } from '../sync/store/store.ts';
import type { PartContext } from '../stages/parts/partContext.ts';
import { useAnswer } from '../workers/testAnswer.ts';
import type { Workshop } from '../workers/workshop.ts';

export const sampleWorkshop: Workshop = { ...sampleLibrary, rules: defaultCompanyRules };

export interface Circumstances {
  /** Where the page is; its search part is what most pages read. */
  at?: string;
  units?: UnitSystem;
  library?: Workshop;
  /** What the server has answered already: dispatched before the page is drawn. */
  answers?: (store: ReturnType<typeof makeTestStore>) => void;
}

const makeTestStore = () =>
  configureStore({
    reducer,
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
  });

/** What the server has answered: endpoint, what it was asked with, and the answer. */
export const answered =
  (...all: readonly (readonly [endpointName: string, arg: unknown, value: unknown])[]): Circumstances['answers'] =>
  (store) =>
    void store.dispatch(
      api.util.upsertQueryEntries(
        all
          // A page asks only what it has taken in; the rest of the answers is for others.
          .filter(([endpointName]) => endpointName in api.endpoints)
          .map(([endpointName, arg, value]) => ({ endpointName, arg, value })) as never,
      ),
    );

/** A piece of a page as it is drawn the moment the engine has answered. No browser: nothing is clicked. Used by tests only. */
export function drawn(element: ReactElement, { at = '/', units = 'metric', answers }: Circumstances = {}): HTMLElement {
  const store = makeTestStore();
  store.dispatch(unitsChosen(units));
  answers?.(store);
  const markup = renderToStaticMarkup(
    <Provider store={store}>
      <MemoryRouter initialEntries={[at]}>{element}</MemoryRouter>
    </Provider>,
  );
  // What it has answered is forgotten a minute after nobody asks for it: not by a clock that keeps the process alive.
  store.dispatch(api.util.resetApiState());
  return parse(markup);
}

/** The same of a piece that belongs to a part, whose brief and library it reads. */
export function drawnFor(brief: Brief, element: ReactElement, circumstances: Circumstances = {}): HTMLElement {
  const library = circumstances.library ?? sampleWorkshop;
  return drawn(
    <Routes>
      <Route element={<PartAround brief={brief} library={library} />}>
        <Route path="*" element={element} />
      </Route>
    </Routes>,
    circumstances,
  );
}

function PartAround({ brief, library }: { brief: Brief; library: Workshop }) {
  const screening = useAnswer(library, 'screening', [brief]);
  return <Outlet context={{ partId: 'p1', brief, library, screening } satisfies PartContext} />;
}

/** What is to be read, with one space between pieces. */
export const textOf = (root: HTMLElement): string => root.structuredText.replace(/\s+/g, ' ').trim();

/** What is to be read, heard or shown on hovering, piece by piece. */
export function wordsOf(root: HTMLElement): string[] {
  const said = root
    .querySelectorAll('[aria-label],[title],[aria-valuetext],[placeholder]')
    .flatMap((one) => ['aria-label', 'title', 'aria-valuetext', 'placeholder'].map((name) => one.getAttribute(name)));
  const read = root
    .querySelectorAll('*')
    .flatMap((one) => one.childNodes.filter(({ nodeType }) => nodeType === NodeType.TEXT_NODE));
  return [...said, ...read.map(({ text }) => text)].flatMap((text) => (text?.trim() ? [text.trim()] : []));
}

/** What no reader should ever meet: values that leaked out of the program, and names that only it knows. */
export const LEAKS =
  /\bundefined\b|\bNaN\b|\[object|\bInfinity\b|\bnull\b|\b(?!iCalendar)[a-z]+[a-z0-9]*[A-Z][a-zA-Z]{2,}\b/;

/** What is a name, the statement of a standard or a setting that is metric on every machine, whatever units its reader has. */
const METRIC_BY_NAME = [
  /HDT|heat deflection|^Half time/i,
  / g\/10 min|MPa·m\/s/,
  /^Melt temperature: .* Melt load: /,
  /\(23 °C, 50 % RH\)/,
  /^(Steam|Hot water|Fresh water), /,
  // Nozzles, filament, lines, and how far a printer draws it back.
  /^\d(\.\d+)? mm(, (brass|hardened).*| wide, .* high)?$/,
  /(nozzle of|clog|Fitted;|Takes) \d(\.\d+)? mm/,
];
const METRIC = /\d (mm|MPa|kg|g|N|°C|J|m\/s)(?![\w/·²³])/;

/** Amounts that a page in inches and pounds shows in metric units, though they are no names and nobody’s own words. */
export const leftMetric = (root: HTMLElement, ownWords: readonly string[]): string[] =>
  wordsOf(root).filter(
    (text) =>
      METRIC.test(text) &&
      !METRIC_BY_NAME.some((one) => one.test(text)) &&
      !ownWords.some((own) => own !== '' && text.includes(own)),
  );
