import { useEffect, useState } from 'react';

interface CameraDevice {
  readonly id: string;
  readonly name: string;
}

/** The cameras of this device, once one of them was given; asked again when one is plugged in. */
export function useCameraList(allowed: boolean): readonly CameraDevice[] {
  const [cameras, setCameras] = useState<readonly CameraDevice[]>([]);
  useEffect(() => {
    const devices = navigator.mediaDevices;
    if (!allowed || !devices?.enumerateDevices) return;
    let left = false;
    const ask = async () => {
      const all = await devices.enumerateDevices().catch(() => []);
      const found = all.filter(({ kind, deviceId }) => kind === 'videoinput' && deviceId !== '');
      if (!left) setCameras(found.map(({ deviceId, label }) => ({ id: deviceId, name: label })));
    };
    void ask();
    devices.addEventListener?.('devicechange', ask);
    return () => {
      left = true;
      devices.removeEventListener?.('devicechange', ask);
    };
  }, [allowed]);
  return cameras;
}
