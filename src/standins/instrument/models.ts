import {
  breathing,
  carbonDioxide,
  combustible,
  ethanol,
  hydrogen,
  monoxide,
  organics,
  oxygen,
  sulphide,
  sulphurDioxide,
  type InstrumentModel,
} from './model-parts';

export type { InstrumentModel } from './model-parts';

const four = [oxygen(1), combustible(2), sulphide(3), monoxide(4)];
const base = { firmware: '2.4', pumped: false, warmUpSeconds: 30, saveWithinSeconds: 60 };

/** Instruments of the demo that can be simulated. Invented: response and cross-sensitivity are of a common size (common practice), no maker's. */
export const INSTRUMENT_MODELS: Record<string, InstrumentModel> = Object.fromEntries(
  (
    [
      { ...base, maker: 'Ordfell', model: 'OF-410', autoZero: true, channels: four },
      {
        ...base,
        maker: 'Ordfell',
        model: 'OF-440',
        pumped: true,
        saveWithinSeconds: 0,
        ownInterval: 180,
        spanValue: 'fixed',
        autoZero: true,
        channels: four,
      },
      { ...base, maker: 'Vantling', model: 'VT-40', channels: [oxygen(1, 20.8), ...four.slice(1)] },
      {
        ...base,
        maker: 'Vantling',
        model: 'VT-47',
        firmware: '1.9',
        pumped: true,
        warmUpSeconds: 20,
        saveWithinSeconds: 0,
        channels: four,
      },
      { ...base, maker: 'Vantling', model: 'VT-60', saveWithinSeconds: 0, channels: four },
      { ...base, maker: 'Ordfell', model: 'OF-430', saveWithinSeconds: 0, channels: four },
      {
        ...base,
        maker: 'Vantling',
        model: 'VT-5P',
        pumped: true,
        saveWithinSeconds: 0,
        channels: [oxygen(1), combustible(2, 2), sulphide(3), monoxide(4), sulphurDioxide(5)],
      },
      { ...base, maker: 'Ordfell', model: 'OF-120', channels: [monoxide(1)] },
      { ...base, maker: 'Ordfell', model: 'OF-125', saveWithinSeconds: 0, autoZero: true, channels: [monoxide(1)] },
      { ...base, maker: 'Vantling', model: 'VT-C2', saveWithinSeconds: 0, channels: [carbonDioxide(1)] },
      { ...base, maker: 'Ordfell', model: 'OF-700', pumped: true, saveWithinSeconds: 0, channels: [organics(1)] },
      { ...base, maker: 'Brisenal', model: 'BN-H', channels: [hydrogen(1)], saveWithinSeconds: 60 },
      { ...base, maker: 'Brisenal', model: 'BN-A', saveWithinSeconds: 0, followsPressure: true, channels: [ethanol(1)] },
      // For the bench of speed only: twelve channels at once.
      {
        ...base,
        maker: 'Ordfell',
        model: 'OF-12',
        channels: [
          ...four,
          sulphurDioxide(5),
          carbonDioxide(6),
          hydrogen(7),
          organics(8),
          ...['ethanol', 'nitrous oxide', 'propane', 'anaesthetic agent'].map((measurand, index) => {
            const one = sulphurDioxide(9 + index);
            return { ...one, channel: { ...one.channel, info: { ...one.channel.info, measurand } } };
          }),
        ],
      },
      {
        ...base,
        maker: 'Brisenal',
        model: 'BN-G',
        saveWithinSeconds: 0,
        channels: [
          breathing(1, 'carbon dioxide', 'CO2', '15', '5.00'),
          breathing(2, 'oxygen', 'O2', '100', '40.00', 20.9),
          breathing(3, 'nitrous oxide', 'N2O', '100', '50.00'),
          breathing(4, 'anaesthetic agent', 'agent', '12', '2.00'),
        ],
      },
    ] satisfies InstrumentModel[]
  ).map((model) => [model.model, model]),
);
