import { jest } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { CheckForm, type CheckMade } from './check-form.tsx';
import { OverruleForm } from './overrule-form.tsx';

afterEach(() => document.body.replaceChildren());
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('a meter held against something known', () => {
  const made = jest.fn<(check: CheckMade) => void>();
  beforeEach(() => made.mockClear());
  const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep the check' }));

  test('a figure that is missing is asked for, and nothing is kept', () => {
    render(<CheckForm kind="capacitance-meter" last={undefined} onMade={made} />);
    type('There is', '');
    keep();
    expect(screen.getAllByText('A figure is needed here').length).toBeGreaterThan(0);
    expect(made).not.toHaveBeenCalled();
  });

  test('a decimal comma and a minus sign are figures; what it is known within is half a percent where nothing is said', () => {
    render(<CheckForm kind="capacitance-meter" last={undefined} onMade={made} />);
    type('There is', '40');
    type('Known within ±', '');
    type('It shows', '39,2');
    keep();
    expect(made).toHaveBeenCalledWith(expect.objectContaining({ known: 40, knownWithin: 0.2, shown: 39.2 }));
  });

  test('what is held against is as last time until something else is typed', () => {
    const last = { quantity: 'capacitance', against: 'Known capacitor, 45 µF', known: 45, knownWithin: 0.1 } as const;
    render(<CheckForm kind="capacitance-meter" last={last} onMade={made} />);
    type('It shows', '44.6');
    keep();
    expect(made).toHaveBeenCalledWith({ ...last, shown: 44.6 });
  });

  test('a known value of zero is refused: no share can be taken of it', () => {
    render(<CheckForm kind="capacitance-meter" last={undefined} onMade={made} />);
    type('There is', '0');
    type('It shows', '0.1');
    keep();
    expect(made).not.toHaveBeenCalled();
  });
});

describe('a verdict of one’s own', () => {
  const rule = jest.fn();
  beforeEach(() => rule.mockClear());
  const overrule = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Overrule' });

  test('needs another verdict and a reason; what it says already is not offered', () => {
    render(<OverruleForm was="act" onRule={rule} onLeave={() => undefined} />);
    expect(screen.queryByRole('button', { name: 'Act' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Watch' }));
    expect(overrule().disabled).toBe(true);
    type('Because', '   ');
    expect(overrule().disabled).toBe(true);
    type('Because', ' meter was cold ');
    fireEvent.click(overrule());
    expect(rule).toHaveBeenCalledWith({ standing: 'watch', why: 'meter was cold', withdrawn: false });
  });

  test('nothing found is one tap and the button that says so', () => {
    render(<OverruleForm was="stop" onRule={rule} onLeave={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: 'Nothing found, part left in' }));
    fireEvent.click(overrule());
    expect(rule).toHaveBeenCalledWith({ standing: 'sound', why: 'nothing found, part left in', withdrawn: false });
  });
});
