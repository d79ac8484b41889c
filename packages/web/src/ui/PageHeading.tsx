import { useEffect, useRef, type ReactNode } from 'react';

const NAME = 'Anvilstone';

/** The first heading of a page, which is its title in the browser too: “Shortlist · Lamp arm · Anvilstone”. */
export function PageHeading({
  className = 'text-xl',
  stage,
  children,
}: {
  className?: string;
  /** Which view of it is open, where it has several. */
  stage?: string | undefined;
  children: ReactNode;
}) {
  const heading = useRef<HTMLHeadingElement>(null);
  // After every render: what it is called may have been edited.
  useEffect(() => {
    const text = heading.current!.textContent.replaceAll(/\s+/g, ' ').trim();
    document.title = [stage, text, NAME].filter(Boolean).join(' · ');
  });
  return (
    <h1 ref={heading} className={className}>
      {children}
    </h1>
  );
}
