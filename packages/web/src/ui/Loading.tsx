export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="p-6 text-quiet">
      Loading {what} …
    </p>
  );
}
