import { screen, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import { editor, network, problem } from "../testing/network";
import { open } from "../testing/render";

type Host = { host: string; allowedBy: string; allowedAt: string };

function allowing(hosts: Host[]) {
  network.use(
    http.get("*/api/session", () => HttpResponse.json({ ...editor, level: "ADMINISTRATOR" })),
    http.get("*/api/backups", () =>
      HttpResponse.json({
        items: [],
        progress: { running: false, doneBytes: 0, totalBytes: 0, failure: "" },
      }),
    ),
    http.get("*/api/storage/check", () => HttpResponse.json({ running: false, done: 0, total: 0 })),
    http.get("*/api/private-hosts", () => HttpResponse.json(hosts)),
    http.put("*/api/private-hosts/:host", ({ params }) => {
      const host = decodeURIComponent(String(params.host));
      if (!host.includes(":")) {
        return problem(422, `“${host}” isn’t a host with a port.`);
      }
      hosts.push({ host, allowedBy: "priya", allowedAt: "2030-05-10T09:00:00Z" });
      return HttpResponse.json(hosts);
    }),
    http.delete("*/api/private-hosts/:host", ({ params }) => {
      hosts.splice(
        hosts.findIndex(({ host }) => host === decodeURIComponent(String(params.host))),
        1,
      );
      return HttpResponse.json(hosts);
    }),
  );
}

describe("hosts inside", () => {
  it("are allowed and refused by an administrator, each with its port", async () => {
    allowing([]);
    const { user } = await open("/settings", "Settings");
    expect(await screen.findByText("None: checks connect to the public Internet only.")).toBeInTheDocument();
    await user.type(screen.getByLabelText("Host and port"), "nowhere");
    await user.click(screen.getByRole("button", { name: "Allow" }));
    expect(await screen.findByText("“nowhere” isn’t a host with a port.")).toBeInTheDocument();
    expect(screen.getByLabelText("Host and port")).toHaveValue("nowhere");
    await user.clear(screen.getByLabelText("Host and port"));
    await user.type(screen.getByLabelText("Host and port"), " 10.0.0.5:443 ");
    await user.click(screen.getByRole("button", { name: "Allow" }));
    const row = (await screen.findByText("10.0.0.5:443")).closest("li")!;
    expect(row).toHaveTextContent("priya, May 10, 2030");
    expect(screen.getByLabelText("Host and port")).toHaveValue("");
    await user.click(within(row).getByRole("button", { name: "Remove" }));
    expect(await screen.findByText("None: checks connect to the public Internet only.")).toBeInTheDocument();
  });

  it("are no matter of an editor", async () => {
    await open("/settings", "Settings");
    expect(screen.queryByText("Internal hosts")).toBeNull();
  });
});
