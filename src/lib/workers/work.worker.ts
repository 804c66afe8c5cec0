import { workFor } from '$core/people/work';

export interface ToWork {
	readonly challenge: string;
	readonly bits: number;
}

self.onmessage = ({ data }: MessageEvent<ToWork>) => self.postMessage(workFor(data.challenge, data.bits));
