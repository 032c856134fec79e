/** What the files may look like, beside the form that takes them. */
export function FormatHelp() {
  return (
    <aside className="max-w-[52ch] min-w-0 space-y-3 border-l border-grid-2 pl-6 text-ink-2 max-[900px]:border-l-0 max-[900px]:pl-0">
      <h2 className="font-semibold text-ink">The forecast file</h2>
      <p>
        One line an hour. Needed: time, temperature, humidity, wind. Better with gust, direction, precipitation, kind
        and cloud. Commas, semicolons or tabs between the values.
      </p>
      <pre
        tabIndex={0}
        aria-label="An example of a forecast file"
        className="overflow-x-auto border-y border-grid-2 bg-sheet px-2 py-2 text-[12px] leading-relaxed max-[420px]:text-[11px] text-ink"
      >
        {'time,temperature_c,humidity_pct,wind_ms\n2027-01-16T08:00,-9.5,86,3\n2027-01-16T09:00,-9,84,4'}
      </pre>
      <p>
        Imperial: <code>temperature_f</code>, <code>wind_mph</code>, <code>precipitation_in</code>. Kinds: dry snow, wet
        snow, sleet, rain, freezing drizzle.
      </p>
      <h2 className="font-semibold text-ink">The route file</h2>
      <p>
        GPX 1.1. Elevation is smoothed; if there is none the way is taken as flat and you are told. Without times the
        pace follows from your effort.
      </p>
    </aside>
  );
}
