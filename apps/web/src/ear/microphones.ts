/** Where it is kept which microphone was chosen: it belongs to this device, not to the data. */
const KEPT = 'same-song.microphone';
let held = '';

/** Id of the microphone that was chosen; empty for the device's usual one. */
export function chosenMicrophone(): string {
  try {
    return localStorage.getItem(KEPT) ?? held;
  } catch {
    return held;
  }
}

export function chooseMicrophone(id: string): void {
  held = id;
  try {
    localStorage.setItem(KEPT, id);
  } catch {
    // Held for as long as the page is open.
  }
}

/** The microphones of this device by name; none while none may be listened to, for then they have no names. */
export async function microphones(): Promise<readonly { readonly id: string; readonly label: string }[]> {
  const { mediaDevices } = navigator as { readonly mediaDevices?: MediaDevices };
  const all = (await mediaDevices?.enumerateDevices().catch(() => [])) ?? [];
  return all
    .filter(({ kind, label, deviceId }) => kind === 'audioinput' && label !== '' && deviceId !== '')
    .map(({ deviceId, label }) => ({ id: deviceId, label }));
}
