'use server';
import { action } from '@/platform/action';
import {
  answerSchema,
  endPriceSchema,
  mailOfferSchema,
  offerSchema,
  positionSchema,
  priceSchema,
  strikePositionSchema,
} from './money-schema';
import { mailOffer } from './server/mail-offer';
import { answerOffer, makeOffer } from './server/offers';
import { notePosition, strikePosition } from './server/positions';
import { endPrice, keepPrice } from './server/prices';

export const keepPriceAction = action(
  { name: 'keepPrice', permission: 'office', schema: priceSchema, audit: (input) => `${input.name}: ${input.amount}` },
  keepPrice,
);
export const endPriceAction = action(
  { name: 'endPrice', permission: 'office', schema: endPriceSchema, audit: (input) => `${input.priceId}: ${input.why}` },
  endPrice,
);
export const makeOfferAction = action(
  { name: 'makeOffer', permission: 'bench', schema: offerSchema, audit: (input) => `${input.ticketId}: ${input.finding}` },
  makeOffer,
);
export const answerOfferAction = action(
  {
    name: 'answerOffer',
    permission: 'receive',
    schema: answerSchema,
    audit: (input) => `${input.offerId}: ${input.answer} ${input.by}`,
  },
  answerOffer,
);
export const notePositionAction = action(
  {
    name: 'notePosition',
    permission: 'receive',
    schema: positionSchema,
    audit: (input) => `${input.ticketId}: ${input.position.name}`,
  },
  notePosition,
);
export const strikePositionAction = action(
  {
    name: 'strikePosition',
    permission: 'receive',
    schema: strikePositionSchema,
    audit: (input) => `${input.positionId}: ${input.why}`,
  },
  strikePosition,
);
export const mailOfferAction = action(
  { name: 'mailOffer', permission: 'receive', schema: mailOfferSchema, audit: (input) => `${input.offerId}: ${input.to}` },
  mailOffer,
);
