/** Lets the player keep bytes as a file. */
export function saveFile(name: string, type: string, bytes: Uint8Array): void {
  const address = URL.createObjectURL(new Blob([Uint8Array.from(bytes)], { type }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}
