import { filesIn, problemIn, NoAnswerError } from "../shared/api/client";
import { connection } from "../shared/api/connection";
import { tokenHeader } from "../shared/api/token";
import type { Opened } from "../shared/api/types";

/** How much of a drop is sent, 0 to 1. */
export type Sending = { part: number };

/**
 * Sends a drop, which may be the answer to a flag, and says how far it is. The browser's older way of asking is used, since `fetch` does not tell how much
 * of a body has gone out.
 */
export function send(files: File[], onProgress: (sending: Sending) => void, flag?: string): Promise<Opened> {
  const form = filesIn(
    "files",
    files.map((file) => ({ file, path: pathOf(file) })),
  );
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", flag ? `/api/intakes?flag=${encodeURIComponent(flag)}` : "/api/intakes");
    for (const [name, value] of Object.entries(tokenHeader())) {
      request.setRequestHeader(name, value);
    }
    request.responseType = "json";
    request.upload.onprogress = ({ loaded, total }) => onProgress({ part: total > 0 ? loaded / total : 0 });
    request.onload = () => {
      connection.answered();
      if (request.status === 202) {
        resolve(request.response as Opened);
        return;
      }
      if (request.status === 401) {
        connection.sessionEnded();
      }
      reject(problemIn(request.status, request.response));
    };
    request.onerror = () => {
      connection.silent();
      reject(new NoAnswerError());
    };
    request.send(form);
  });
}

/** The path of a file inside the folder that was dropped, without a slash or a dot in front. */
export function pathOf(file: File & { path?: string }): string {
  return (file.path ?? file.webkitRelativePath ?? "").replace(/^\.?\//, "") || file.name;
}
