/** A file with its path inside whatever was dropped. */
export type Dropped = { file: File; path: string };

/** The files of a drop, folders read to their depths. */
export async function filesOf(transfer: DataTransfer): Promise<Dropped[]> {
  const entries = [...transfer.items]
    .map((item) => item.webkitGetAsEntry())
    .filter((entry) => entry !== null);
  const found: Dropped[] = [];
  for (const entry of entries) {
    await collect(entry, "", found);
  }
  return found;
}

async function collect(entry: FileSystemEntry, folder: string, found: Dropped[]): Promise<void> {
  const path = folder + entry.name;
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) =>
      (entry as FileSystemFileEntry).file(resolve, reject),
    );
    found.push({ file, path });
    return;
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  for (let batch = await read(reader); batch.length > 0; batch = await read(reader)) {
    for (const inner of batch) {
      await collect(inner, `${path}/`, found);
    }
  }
}

function read(reader: FileSystemDirectoryReader): Promise<FileSystemEntry[]> {
  return new Promise((resolve, reject) => reader.readEntries(resolve, reject));
}
