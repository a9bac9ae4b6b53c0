import type { ServiceId } from '../instrument/service';
import type { Traits } from '../instrument/traits';
import type { PropertyName } from './condition';

const PROPERTIES: Record<PropertyName, (traits: Traits, service: ServiceId) => boolean> = {
  pumped: (traits) => traits.pumped === true,
  'pump-switchable': (traits) => traits.pumpSwitchable === true,
  'span-fixed': (traits) => traits.spanFixed === true,
  'span-stored': (traits) => traits.spanStored === true,
  'detector-pairs': (traits) => traits.detectorPairs === true,
  host: (traits) => traits.host === true,
  'analogue-pair': (traits) => traits.analoguePair === true,
  'stores-wet': (traits) => traits.stores === 'wet',
  'stores-dry': (traits) => traits.stores === 'dry',
  'stores-moist': (traits) => traits.stores === 'moist',
  'stores-droplets': (traits) => traits.stores === 'droplets',
  'as-found-only': (_traits, service) => service === 'asFoundOnly',
};

/**
 * Whether an instrument of these traits, with this order, has a property that steps ask about.
 *
 * @example
 * propertyHolds('pumped', { pumped: true }, 'calibrate') // true
 */
export const propertyHolds = (name: PropertyName, traits: Traits, service: ServiceId): boolean =>
  PROPERTIES[name](traits, service);
