import type { ReactNode } from "react";

/** The head of a page: where it stands in the book, its title, and what may be done there. */
export function PageHead({
  title,
  above,
  children,
  actions,
}: {
  title: ReactNode;
  above?: ReactNode;
  children?: ReactNode;
  actions?: ReactNode;
}) {
  return (
    <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-3">
      <div className="min-w-0">
        {above ? <p className="above small no-print">{above}</p> : null}
        <h1 className={above ? "mt-1" : ""}>{title}</h1>
        {children}
      </div>
      {actions ? <div className="flex flex-wrap gap-2 no-print">{actions}</div> : null}
    </header>
  );
}

/** A part of a page under a ruled heading. */
export function Section({
  title,
  aside,
  className = "mt-6",
  children,
}: {
  title: ReactNode;
  /** a few words at the end of the rule */
  aside?: ReactNode;
  className?: string;
  children: ReactNode;
}) {
  return (
    <section className={className}>
      <h2 className="ruled">
        {title}
        {aside ? <span className="small">{aside}</span> : null}
      </h2>
      {children}
    </section>
  );
}

/** A name and what it is, on one line. */
export const Row = ({ name, children }: { name: ReactNode; children: ReactNode }) => (
  <div className="row flex justify-between gap-x-4 py-1.5">
    <dt className="small">{name}</dt>
    <dd className="m-0 text-right">{children}</dd>
  </div>
);

/** A name above what it is, for the head of a page. */
export const Item = ({ name, children }: { name: ReactNode; children: ReactNode }) => (
  <div>
    <span className="small block">{name}</span>
    {children}
  </div>
);
