import { catalogueOf, type Application } from '$core/application/application';
import type { Command } from '$core/application/command';
import { contextSpace } from '$core/context/space';
import { impactOf, type Impact, type Question } from '$core/impact/impact';

export interface ToImpact extends Omit<Question, 'application'> {
	readonly application: Application;
	readonly commands: readonly Command[];
}

export type FromImpact =
	{ readonly kind: 'progress'; readonly done: number } | { readonly kind: 'found'; readonly impact: Impact };

export const hear = ({ data }: MessageEvent<ToImpact>) => {
	const { application, commands, ...question } = data;
	const space = contextSpace(application.axes, application.reachable);
	const work = impactOf({ ...question, application: { application, space, catalogue: catalogueOf(commands, space) } });
	for (let step = work.next(); ; step = work.next()) {
		if (step.done) return self.postMessage({ kind: 'found', impact: step.value } satisfies FromImpact);
		self.postMessage({ kind: 'progress', done: step.value } satisfies FromImpact);
	}
};
