import Button from "@mui/material/Button";
import { useState } from "react";
import { api, bodyOf } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { Copy } from "../shared/parts/Copy";
import { words } from "./words";

/** A secret address under which a calendar program subscribes to what falls due; it is shown once. */
export function CalendarSection() {
  const state = useGet("/api/session/calendar").data;
  const [address, setAddress] = useState("");
  const renew = useChange({
    of: "session",
    change: () => bodyOf(api.POST("/api/session/calendar")),
    said: () => words.calendarMade,
  });
  const close = useChange({
    of: "session",
    change: async () => {
      await api.DELETE("/api/session/calendar");
      setAddress("");
    },
    said: () => words.calendarClosed,
  });
  return (
    <>
      <h2 className="section">
        {words.calendar} <small>{words.calendarIs}</small>
      </h2>
      {address && (
        <p className="first">
          <code>{address}</code> <Copy text={address} /> <span className="quiet">{words.calendarOnce}</span>
        </p>
      )}
      <div className="in-a-row">
        <Button
          variant="outlined"
          size="small"
          disabled={renew.isPending}
          onClick={() =>
            renew.mutate(undefined, {
              onSuccess: ({ path }) => setAddress(new URL(path, window.location.href).toString()),
            })
          }
        >
          {state?.open ? words.newCalendar : words.makeCalendar}
        </Button>
        {state?.open && (
          <Button size="small" disabled={close.isPending} onClick={() => close.mutate(undefined)}>
            {words.closeCalendar}
          </Button>
        )}
      </div>
    </>
  );
}
