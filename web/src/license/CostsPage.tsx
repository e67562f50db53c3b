import { Fragment } from "react";
import { useGet } from "../shared/api/queries";
import type { CostTable } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Shown } from "../shared/states/States";
import { amount, monthHead } from "./costs";
import { LicenseLeaves } from "./LicenseLeaves";
import { words } from "./words";

const MONTHS = 12;

/** What licenses will cost, by client and month; each currency by itself, as amounts of two are never added. */
export function CostsPage() {
  const costs = useGet("/api/costs", { query: { months: MONTHS } });
  return (
    <Leaf title={words.costs} below={words.costsBelow} leaves={<LicenseLeaves />} margin={false}>
      <Line>
        <Shown of={costs}>
          {(table) => (
            <>
              {table.totals.length === 0 && <p className="quiet">{words.noCosts}</p>}
              {table.totals.map(({ currency }) => (
                <Fragment key={currency}>
                  <h2 className="section">{currency}</h2>
                  <InCurrency costs={table} currency={currency} />
                </Fragment>
              ))}
              {table.totals.length > 0 && <p className="quiet small">{words.howCosts}</p>}
            </>
          )}
        </Shown>
      </Line>
    </Leaf>
  );
}

function InCurrency({ costs, currency }: { costs: CostTable; currency: string }) {
  const total = costs.totals.find((one) => one.currency === currency);
  return (
    // A table that scrolls is reached by Tab, so that the arrow keys move it.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <div className="scrolled costs" tabIndex={0} role="region" aria-label={`${words.costs}, ${currency}`}>
      <table className="sheet">
        <thead>
          <tr>
            <th scope="col">{words.client}</th>
            {costs.months.map((month) => (
              <th key={month} scope="col" className="number">
                {monthHead(month)}
              </th>
            ))}
            <th scope="col" className="number">
              {words.total}
            </th>
          </tr>
        </thead>
        <tbody>
          {costs.rows
            .filter((row) => row.currency === currency)
            .map((row) => (
              <tr key={row.clientId}>
                <th scope="row">
                  {row.clientId ? row.clientName : <span className="quiet">{words.nobody}</span>}
                </th>
                <Amounts months={row.months} total={row.total} />
              </tr>
            ))}
        </tbody>
        {total && (
          <tfoot>
            <tr>
              <th scope="row">{words.allTogether}</th>
              <Amounts months={total.months} total={total.total} />
            </tr>
          </tfoot>
        )}
      </table>
    </div>
  );
}

function Amounts({ months, total }: { months: number[]; total: number }) {
  return (
    <>
      {months.map((cents, i) => (
        <td key={i} className="number">
          {cents > 0 ? amount(cents) : <span className="quiet">–</span>}
        </td>
      ))}
      <td className="number">
        <b>{amount(total)}</b>
      </td>
    </>
  );
}
