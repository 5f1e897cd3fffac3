import { sayDay } from "@keel-round/core/calendar";
import { Keel } from "@/kit/markup/Keel";
import { Strip } from "@/kit/markup/Strip";
import type { Part } from "./shown";

const monthName = (month: string) =>
  new Intl.DateTimeFormat("en-GB", { month: "short", timeZone: "UTC" }).format(new Date(`${month}-15T00:00:00Z`));

/** How the tank is and why, how it looked, and what was measured against what is right for it. */
export function TankPart({ part: { page } }: { part: Part }) {
  const { tank, months } = page;
  const days = [...new Set(tank.measured.map((r) => r.on))].sort();
  const newest = days.at(-1);
  return (
    <>
      <h1>{tank.heading}</h1>
      <div className="why">
        <Keel state={tank.condition} width={40} />
        <p style={{ marginTop: 0 }}>{tank.why}</p>
      </div>
      {months.length > 0 && (
        <div className="months">
          {months.map(({ month, photoId }) => (
            <a key={month} href={`/api/photos/${photoId}`}>
              {/* biome-ignore lint/performance/noImgElement: plain markup without a script; the file is small already. */}
              <img src={`/api/photos/${photoId}?strip`} alt={`The tank in ${monthName(month)}`} loading="lazy" />
              {monthName(month)}
            </a>
          ))}
        </div>
      )}
      {newest && (
        <>
          <h2>Measured {days.length === 1 ? `on ${sayDay(newest)}` : "last"}</h2>
          {tank.measured.map((r) => (
            <div className="row" key={r.parameter}>
              <div>
                <strong>{r.label}</strong>
                <div className="soft" style={{ fontSize: 16 }}>
                  {r.note}
                  {r.on === newest ? "" : `, on ${sayDay(r.on)}`}
                </div>
              </div>
              <Strip reading={r} width={132} />
              <div className="num">
                {r.shown}
                <small>{r.unit}</small>
              </div>
            </div>
          ))}
        </>
      )}
    </>
  );
}
