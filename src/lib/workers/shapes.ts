import { confusionsOf, type ShapeAmong, type Tried } from '$core/hand/confusions';

export interface ToShapes {
	readonly shapes: readonly Tried[];
	/** How steady the hand is: a concentration. */
	readonly kappa: number;
}

export const hear = ({ data }: MessageEvent<ToShapes>) => {
	self.postMessage(confusionsOf(data.shapes, data.kappa) satisfies ShapeAmong[]);
};
