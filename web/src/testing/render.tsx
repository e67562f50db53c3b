import { QueryClient } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { createMemoryRouter } from "react-router";
import { App, routes } from "../App";
import { Surroundings } from "../Surroundings";

/** The interface at an address, with answers of the mocked network; waits until its heading stands. */
export async function open(address: string, heading?: string | RegExp) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 5_000 } } });
  const router = createMemoryRouter(routes, { initialEntries: [address] });
  render(
    <Surroundings client={client}>
      <App router={router} />
    </Surroundings>,
  );
  if (heading !== undefined) {
    await screen.findByRole("heading", { level: 1, name: heading });
  }
  return { user: userEvent.setup(), router, client };
}
