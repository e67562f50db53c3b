import { Link } from "react-router";
import type { PageCheck, PageLine } from "../shared/api/types";
import { useRovingFocus } from "../shared/parts/useRovingFocus";
import { shortAddress } from "../shared/parts/address";
import { sortOf } from "./pages";
import { browserInWords, pageInNumbers, words, wrongInNumbers } from "./words";

/** The pages that were read, each with what is wrong on it. */
export function PageList({ check }: { check: PageCheck }) {
  const walk = useRovingFocus<HTMLUListElement>();
  return (
    <ul className="bare-list page-list" aria-label={words.pages} ref={walk}>
      {check.pages.map((page) => (
        <li key={page.position} data-row>
          <div>
            <Link to={`/sites/${check.line.siteId}/pages/${page.position}?check=${check.line.id}`}>
              {page.title || shortAddress(page.url)}
            </Link>
            <div className="digest quiet">{shortAddress(page.url)}</div>
            {page.browser && <div className="quiet small">{browserInWords(page.browser)}</div>}
          </div>
          <span className="quiet number">{page.why === null && pageInNumbers(page)}</span>
          <Standing page={page} />
        </li>
      ))}
    </ul>
  );
}

function Standing({ page }: { page: PageLine }) {
  const wrong = wrongInNumbers(page);
  const sort = sortOf(page);
  if (sort === "unread") {
    return <span className="rubric">{words.unread}</span>;
  }
  if (wrong !== "") {
    return <span className={sort === "wrong" ? "rubric" : "ochre"}>{wrong}</span>;
  }
  return sort === "silent" ? (
    <span className="ochre">{words.silent}</span>
  ) : (
    <span className="verdict allowed">
      <span aria-hidden="true">✓</span>
      {words.right}
    </span>
  );
}
