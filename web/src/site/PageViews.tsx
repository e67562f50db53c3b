import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useForm } from "react-hook-form";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, filesIn } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { ChooseFile } from "../shared/parts/ChooseFile";
import { wholeIn } from "../shared/parts/amounts";
import { month, whole } from "../shared/parts/format";
import { taken } from "../shared/parts/imports";
import { viewsImported, words } from "./words";

const MOST_SHOWN = 12;

type Fields = { month: string; views: string };

/** How many pages of a site were viewed in each month, for licenses that count them. */
export function PageViews({ siteId }: { siteId: string }) {
  const mayEdit = useMayEdit();
  const readings = useGet("/api/sites/{id}/page-views", { path: { id: siteId } }).data ?? [];
  const { register, handleSubmit, reset, formState } = useForm<Fields>({
    defaultValues: { month: "", views: "" },
  });
  const record = useChange({
    of: "site",
    change: ({ month, views }: { month: string; views: number | null }) =>
      bodyOf(
        api.PUT("/api/sites/{id}/page-views/{month}", {
          params: { path: { id: siteId, month } },
          body: { views },
        }),
      ),
    said: () => words.viewsRecorded,
  });
  const importing = useChange({
    of: "site",
    change: async (file: File) => {
      const body = filesIn("file", [{ file, path: file.name }]);
      return taken(await bodyOf(api.POST("/api/page-views", { params: { query: { check: false } }, body })));
    },
    said: (report) => viewsImported(report.recorded),
  });
  const add = handleSubmit(async ({ month, views }) => {
    if (await record.mutateAsync({ month, views: wholeIn(views) ?? null }).catch(() => null)) {
      reset();
    }
  });
  return (
    <>
      <h2 className="section">
        {words.pageViews} <small>{words.pageViewsAre}</small>
      </h2>
      {readings.length > 0 && (
        <table className="sheet says">
          <tbody>
            {readings.slice(0, MOST_SHOWN).map((reading) => (
              <tr key={reading.month}>
                <th scope="row">{month(reading.month)}</th>
                <td className="number">{whole(reading.views)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {mayEdit && (
        <form className="in-a-row" onSubmit={(event) => void add(event)}>
          <TextField
            type="month"
            {...register("month", { required: true })}
            error={!!formState.errors.month}
            slotProps={{ htmlInput: { "aria-label": words.month } }}
          />
          <TextField
            placeholder={words.pageViews}
            {...register("views", {
              validate: (typed) => typeof wholeIn(typed) === "number" || words.viewsWrong,
            })}
            error={!!formState.errors.views}
            helperText={formState.errors.views?.message}
            slotProps={{ htmlInput: { "aria-label": words.pageViews, inputMode: "numeric" } }}
          />
          <Button type="submit" variant="outlined" size="small" disabled={record.isPending}>
            {words.recordViews}
          </Button>
          <ChooseFile
            label={words.viewsFile}
            accept=".csv,text/csv"
            disabled={importing.isPending}
            onFile={(file) => importing.mutate(file)}
          >
            {words.importViews}
          </ChooseFile>
        </form>
      )}
      {mayEdit && <p className="quiet small">{words.viewsFileIs}</p>}
    </>
  );
}
