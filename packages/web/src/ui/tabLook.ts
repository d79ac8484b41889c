/** How the name of a tab looks. */
export const tabLook =
  'border-b-2 border-transparent px-3 py-1.5 text-sm whitespace-nowrap text-quiet data-[state=active]:border-ember data-[state=active]:font-semibold data-[state=active]:text-ink';
