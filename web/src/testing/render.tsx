import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { QueryClient } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { createMemoryRouter } from "react-router";
import { App, routes } from "../App";
import { Providers } from "../Providers";

// Styles go into no document: jsdom would match each of their rules whenever a test asks whether something is hidden.
const styles = createCache({ key: "css", container: document.createElement("div"), speedy: false });

/** The interface at an address, with answers of the mocked network; waits until its heading stands. */
export async function open(
  address: string,
  heading?: string | RegExp,
  client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 5_000 } } }),
) {
  const router = createMemoryRouter(routes, { initialEntries: [address] });
  render(
    <CacheProvider value={styles}>
      <Providers client={client}>
        <App router={router} />
      </Providers>
    </CacheProvider>,
  );
  if (heading !== undefined) {
    await screen.findByRole("heading", { level: 1, name: heading });
  }
  return { user: userEvent.setup(), router, client };
}
