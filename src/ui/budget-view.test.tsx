import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import type { ComponentText } from '@/core/certificate/version-2';
import { BudgetView } from './budget-view';

afterEach(cleanup);
const part = (name: string, contribution: string): ComponentText =>
  ({
    name,
    basis: `basis of ${name}`,
    distribution: 'normal',
    standard: contribution,
    sensitivity: '1',
    contribution,
  }) as ComponentText;

// 3, 4 and 12 in square make 13: shares 9/169, 16/169, 144/169.
it('a budget stands largest first, and its shares are those of the variance', () => {
  render(
    <BudgetView
      budget={[part('three', '3'), part('twelve', '12'), part('four', '4')]}
      standard="13"
      k="2"
      effectiveDof={null}
      coverage="0.9545"
      expanded="26"
      unit="ppm"
    />,
  );
  const rows = screen.getAllByRole('row').slice(1);
  expect(rows.map((row) => row.querySelector('td')!.textContent!.split(' ')[0])).toEqual(['twelve', 'four', 'three']);
  expect(rows.map((row) => row.querySelector('td:last-child')!.textContent!.trim())).toEqual(['85 %', '9 %', '5 %']);
  expect(screen.getByTestId('budget').textContent).toContain('k = 2 for 95.45 %: U = 26 ppm');
});
