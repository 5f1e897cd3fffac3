import { civilOf } from "@keel-round/core/calendar";
import { CoursePart } from "./CoursePart";
import { LettersPart } from "./LettersPart";
import { ListPart } from "./ListPart";
import { NextPart } from "./NextPart";
import { ProposalsPart } from "./ProposalsPart";
import type { Part } from "./shown";
import { STYLE } from "./style";
import { TankPart } from "./TankPart";
import { TellPart } from "./TellPart";

/** The owner's page as markup: plain forms, no script. */
export async function ownerMarkup(part: Part, zone: string): Promise<string> {
  // Imported when it is asked for: the framework lets no module of a route import it at once.
  const { renderToStaticMarkup } = await import("react-dom/server");
  return `<!doctype html>${renderToStaticMarkup(<Page part={part} zone={zone} />)}`;
}

function Page({ part, zone }: { part: Part; zone: string }) {
  const { page } = part;
  const zoneDay = (at: Date) => civilOf(at.getTime(), zone).date;
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <title>{`${page.siteName}: your tank`}</title>
        <style dangerouslySetInnerHTML={{ __html: STYLE }} />
      </head>
      <body>
        <div className="page">
          <header>
            <strong>{page.firm.name}</strong>
            <span className="soft">{page.siteName}</span>
          </header>
          {page.tanks.length > 1 && <Tanks part={part} />}
          <main>
            <TankPart part={part} />
            <NextPart part={part} />
            <CoursePart part={part} />
            <ListPart part={part} />
            <LettersPart part={part} />
            <ProposalsPart part={part} zoneDay={zoneDay} />
            <TellPart part={part} zoneDay={zoneDay} />
          </main>
          <form method="post" action="/owner/leave" style={{ marginTop: 40 }}>
            <button type="submit">Sign out</button>
          </form>
        </div>
      </body>
    </html>
  );
}

/** The way between an owner's tanks. */
function Tanks({ part: { page } }: { part: Part }) {
  const sites = new Set(page.tanks.map((t) => t.siteName)).size > 1;
  return (
    <nav aria-label="Your tanks">
      {page.tanks.map((t) => {
        const name = sites ? `${t.siteName}, ${t.name}` : t.name;
        return t.id === page.tankId ? (
          <b key={t.id} aria-current="page">
            {name}
          </b>
        ) : (
          <a key={t.id} href={`/owner/${t.id}`}>
            {name}
          </a>
        );
      })}
    </nav>
  );
}
