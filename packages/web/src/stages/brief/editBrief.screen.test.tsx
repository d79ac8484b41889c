import { lampArm } from '@anvilstone/core/education/sample';
import type { Part } from '@anvilstone/schema';
import { configureStore } from '@reduxjs/toolkit';
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { opened, undone } from '../../sync/drafts/draft.ts';
import { reducer } from '../../sync/store/store.ts';
import { useEdit, type EditBrief } from './editBrief.ts';

const part: Part = { id: 'p', revision: 1, brief: lampArm, createdAt: '', updatedAt: '' };

function editing() {
  // Nothing is saved by itself here.
  const store = configureStore({ reducer });
  store.dispatch(opened({ part }));
  const wrapper = ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;
  const asShown = renderHook(() => useEdit(), { wrapper }).result.current;
  const edit: EditBrief = (...change) => act(() => asShown(...change));
  return { store, edit, brief: () => store.getState().draft.brief! };
}

test('two edits worked out from one picture of the brief both hold, and are undone one by one', () => {
  // As on a slow page: both were pressed before it had shown the first.
  const { store, edit, brief } = editing();
  edit({ ...lampArm, title: 'Renamed' }, 'title');
  edit({ ...lampArm, moisture: 'wet' }, 'moisture');
  expect(brief()).toEqual({ ...lampArm, title: 'Renamed', moisture: 'wet' });
  act(() => void store.dispatch(undone()));
  expect(brief()).toEqual({ ...lampArm, title: 'Renamed' });
});

test('a proposal that was worked out before the last edit takes nothing of it back', () => {
  const { edit, brief } = editing();
  const [first, ...others] = lampArm.loadCases;
  const proposed = { ...lampArm, part: { ...lampArm.part, filletRadiusMm: 9 } as typeof lampArm.part };
  edit({ ...lampArm, loadCases: [{ ...first!, name: 'Gust' }, ...others] }, 'name');
  edit(proposed, 'fix', lampArm);
  expect(brief().loadCases[0]!.name).toBe('Gust');
  expect(brief().part).toEqual(proposed.part);
});
