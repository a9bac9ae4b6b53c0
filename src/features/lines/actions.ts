'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { addLine, changeLine, changeLineSchema, lineSchema, removeLine } from './server/change-lines';
import { askPanel, panelSchema } from './server/panel';

/** The hand at a simulated instrument. Not on record: what it does is seen by what the instrument then shows. */
export const askPanelAction = action(
  { name: 'askPanel', permission: 'bench', schema: panelSchema, audit: 'none', transaction: false },
  askPanel,
);

export const addLineAction = action(
  { name: 'addLine', permission: 'office', schema: lineSchema, audit: (input) => `${input.name} ${input.host}:${input.port}` },
  addLine,
);
export const changeLineAction = action(
  {
    name: 'changeLine',
    permission: 'office',
    schema: changeLineSchema,
    audit: (input) => `${input.name} ${input.host}:${input.port}`,
  },
  changeLine,
);
export const removeLineAction = action(
  {
    name: 'removeLine',
    permission: 'office',
    schema: yup.object({ id: yup.string().uuid().required() }),
    audit: (input) => input.id,
  },
  removeLine,
);
