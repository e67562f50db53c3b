import { QueryClient } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { createMemoryRouter } from "react-router";
import { App, routes } from "../App";
import { Providers } from "../Providers";

/** The interface at an address, with answers of the mocked network; waits until its heading stands. */
export async function open(
  address: string,
  heading?: string | RegExp,
  client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 5_000 } } }),
) {
  const router = createMemoryRouter(routes, { initialEntries: [address] });
  render(
    <Providers client={client}>
      <App router={router} />
    </Providers>,
  );
  if (heading !== undefined) {
    await screen.findByRole("heading", { level: 1, name: heading });
  }
  return { user: userEvent.setup(), router, client };
}
