/** All files of a drop, folders opened. */
export async function filesOf(transfer: DataTransfer): Promise<File[]> {
  const entries = [...transfer.items].map((i) => i.webkitGetAsEntry()).filter((e): e is FileSystemEntry => e !== null)
  if (entries.length === 0) return [...transfer.files]
  return (await Promise.all(entries.map(opened))).flat()
}

async function opened(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile) {
    return [await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject))]
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader()
  const found: File[] = []
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject))
    if (part.length === 0) return found.filter((f) => !f.name.startsWith('.'))
    found.push(...(await Promise.all(part.map(opened))).flat())
  }
}
