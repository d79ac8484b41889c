import { waitFor } from '@testing-library/react';
import { openApp } from '../testing/testApp.tsx';

test.each([
  ['/agents/mineral-oil?from=brief', '/chemicals/mineral-oil?from=brief'],
  ['/house-rules?scale=0.8', '/company-rules?scale=0.8'],
  ['/calculations/beam-bending', '/calculators/beam-bending'],
  ['/practice/coat-hook', '/training/coat-hook'],
  ['/workshop', '/data'],
  ['/words#governs', '/glossary'],
])('the address %s of an earlier version leads to %s', async (old, now) => {
  const { where } = openApp(old);
  await waitFor(() => expect(where()).toBe(now));
});
