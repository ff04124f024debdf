import { StoredValues } from '../frame/stored.ts';

/** Which microphone was chosen belongs to this device, not to the data. */
const chosen = new StoredValues<string>(
  'microphone',
  (value) => (typeof value === 'string' ? value : undefined),
  { ofDevice: true },
);

/** Id of the microphone that was chosen; empty for the device's usual one. */
export function chosenMicrophone(): string {
  return chosen.get() ?? '';
}

export function chooseMicrophone(id: string): void {
  chosen.set(id);
}

/** What hears on this device; none where a page is not safe, whatever the types say. */
export function mediaDevices(): MediaDevices | undefined {
  return (navigator as { readonly mediaDevices?: MediaDevices }).mediaDevices;
}

/** The microphones of this device by name; none while none may be listened to, for then they have no names. */
export async function microphones(): Promise<readonly { readonly id: string; readonly label: string }[]> {
  const all =
    (await mediaDevices()
      ?.enumerateDevices()
      .catch(() => [])) ?? [];
  return all
    .filter(({ kind, label, deviceId }) => kind === 'audioinput' && label !== '' && deviceId !== '')
    .map(({ deviceId, label }) => ({ id: deviceId, label }));
}
