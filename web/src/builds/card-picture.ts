import type { BuildDocument } from '@apple-cart/core';

/** Height of a card's picture, px; a carriage has a roof. */
export const pictureHeight = ({ donor }: BuildDocument): number => (donor.style === 'carriage' ? 218 : 156);
