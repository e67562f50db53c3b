import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { renderHook, waitFor } from "@testing-library/react";
import { delay, http, HttpResponse } from "msw";
import type { ReactNode } from "react";
import { describe, expect, it } from "vitest";
import type { FaceWeight } from "../../shared/api/types";
import { network } from "../../testing/network";
import { bold, regular } from "../../testing/recordedSite";
import { family, site } from "../../testing/samples";
import { useFamilyWeight, useWeight } from "./useWeight";

const client = new QueryClient();
const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={client}>{children}</QueryClientProvider>
);

/** A server that weighs the family f1 at once, and any other never. */
function slowWithOthers() {
  network.use(
    http.post("*/api/sites/s1/weight", async ({ request }) => {
      const { faces } = (await request.json()) as { faces: Pick<FaceWeight, "familyId" | "slot">[] };
      if (faces.some((face) => face.familyId !== "f1")) {
        await delay("infinite");
      }
      const weighed = faces.map((face) => ({ ...face, bytes: 5_000 }));
      return HttpResponse.json({ faces: weighed, bytes: 5_000 * faces.length, stacks: {}, budget: null });
    }),
  );
}

describe("what faces weigh", () => {
  it("is not told of a family by the figures of the one before it", async () => {
    slowWithOthers();
    const { result, rerender } = renderHook(
      ({ id }) => useFamilyWeight(site(), family({ id, files: [regular, bold] })),
      {
        wrapper,
        initialProps: { id: "f1" },
      },
    );
    await waitFor(() => expect(result.current?.faces).toHaveLength(2));
    rerender({ id: "f2" });
    expect(result.current).toBeUndefined();
  });

  it("stays for the fonts that are shown, but is not taken for that of other faces", async () => {
    slowWithOthers();
    const { result, rerender } = renderHook(
      ({ familyId }) => useWeight(site(), [{ familyId, slot: bold.slot }]),
      {
        wrapper,
        initialProps: { familyId: "f1" },
      },
    );
    await waitFor(() => expect(result.current.known).toBe(true));
    rerender({ familyId: "f2" });
    expect(result.current.known).toBe(false);
    expect(result.current.weight?.bytes).toBe(5_000);
  });
});
