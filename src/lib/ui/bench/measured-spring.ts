import type { Corner } from '$core/height/corners';
import { coilRate, shearModulusGPa } from '$core/spring/rate';
import { springFinding } from '$core/job/findings';
import type { WorkBook } from '$core/job/work-book';

/** The old spring of a corner as it was measured at the bench, as text for fields; what was not is absent. */
export interface MeasuredSpring {
	freeLengthMm?: string;
	wireDiameterMm?: string;
	activeCoils?: string;
	/** From its wire, if nobody knows better. */
	rateNPerMm?: string;
}

export function measuredSpring(book: WorkBook, corner: Corner): MeasuredSpring {
	const { values = {} } = book.get('comparison', `${corner}/spring`)?.old ?? {};
	const { freeLengthMm, wireMm, outerMm, coils } = values;
	const rate =
		wireMm && outerMm && coils
			? coilRate({
					wireDiameterMm: wireMm,
					meanDiameterMm: outerMm - wireMm,
					activeCoils: coils,
					shearModulusGPa: shearModulusGPa['oil-tempered']
				})
			: undefined;
	return {
		...(freeLengthMm &&
			springFinding(book, corner)?.state !== 'broken' && { freeLengthMm: `${freeLengthMm} mm` }),
		...(wireMm && { wireDiameterMm: `${wireMm} mm` }),
		...(coils && { activeCoils: String(coils) }),
		...(rate && { rateNPerMm: `${rate.toFixed(1)} N/mm` })
	};
}
