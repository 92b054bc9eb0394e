/** A camera that looks for a code. */
export interface CameraScan {
  /** The first code that is seen; undefined once it is stopped. */
  readonly found: Promise<string | undefined>;
  stop(): void;
}

const FORMATS = ['Code128', 'QRCode', 'DataMatrix'] as const;
/** Milliseconds between two looks: a tablet has other things to do. */
const LOOK_MS = 150;

/** Cameras are there in a secure context alone: over TLS, or on the computer itself. */
export const canScan = (): boolean =>
  window.isSecureContext && (navigator as { readonly mediaDevices?: MediaDevices }).mediaDevices !== undefined;

/** The reader of codes, fetched when somebody uses a camera for the first time. */
async function reader(): Promise<(image: ImageData) => Promise<string | undefined>> {
  const { prepareZXingModule, readBarcodes } = await import('zxing-wasm/reader');
  prepareZXingModule({ overrides: { locateFile: (file: string) => `/${file}` } });
  return async (image) => (await readBarcodes(image, { formats: [...FORMATS], maxNumberOfSymbols: 1 }))[0]?.text;
}

/** Looks through the camera at the back for a code, and shows what it sees. Fails where there is none, or nobody may. */
export function scanByCamera(video: HTMLVideoElement): CameraScan {
  let stopped = false;
  let stream: MediaStream | undefined;
  const stop = (): void => {
    stopped = true;
    stream?.getTracks().forEach((track) => track.stop());
    video.srcObject = null;
  };
  const look = async (): Promise<string | undefined> => {
    stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
    const read = await reader();
    video.srcObject = stream;
    await video.play();
    const canvas = document.createElement('canvas').getContext('2d', { willReadFrequently: true });
    while (!stopped && canvas) {
      const { videoWidth: width, videoHeight: height } = video;
      if (width > 0) {
        [canvas.canvas.width, canvas.canvas.height] = [width, height];
        canvas.drawImage(video, 0, 0);
        const text = await read(canvas.getImageData(0, 0, width, height));
        if (text) return text;
      }
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
    return undefined;
  };
  return { found: look().finally(stop), stop };
}
