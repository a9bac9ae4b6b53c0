import { expect, it } from 'vitest';
import { componentText } from './component-text';

it('says a material’s value with its uncertainty, and of measuring equipment the uncertainty alone', () => {
  const one = { value: '100', unit: 'ppm', expanded: '2', k: 2 };
  expect(componentText('gas', { substance: 'CO', ...one })).toBe('CO 100 ± 2 ppm');
  expect(componentText('tool', { substance: 'temperature', value: '1', unit: '°C', expanded: '0.3', k: 2 })).toBe(
    'temperature ± 0.3 °C',
  );
  expect(componentText('tool', { substance: 'flow', value: '0.5', unit: 'L/min', expanded: '0', k: 2 })).toBe(
    'flow 0.5 ± 0 L/min',
  );
  expect(componentText('tool', { substance: 'charcoal', value: '1', unit: '1', expanded: '0', k: 2 })).toBe('charcoal');
});
