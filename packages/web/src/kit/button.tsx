import type { ButtonHTMLAttributes } from 'react';
import { Link, type LinkProps } from 'react-router';

type Look = 'main' | 'plain' | 'quiet';

const LOOKS: Readonly<Record<Look, string>> = {
  main: 'bg-copper text-on-copper border-copper',
  plain: 'bg-raised text-ink border-rule-strong hover:border-copper',
  quiet: 'border-transparent text-copper underline-offset-4 hover:underline',
};

const base =
  'inline-flex min-h-12 items-center justify-center gap-2 rounded-[4px] border-[1.5px] px-4 font-semibold disabled:opacity-50 disabled:cursor-not-allowed';

export const Button = ({
  look = 'plain',
  className = '',
  type = 'button',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: Look }) => (
  <button type={type} className={`${base} ${LOOKS[look]} ${className}`} {...rest} />
);

export const ButtonLink = ({ look = 'plain', className = '', ...rest }: LinkProps & { look?: Look }) => (
  <Link className={`${base} ${LOOKS[look]} ${className}`} {...rest} />
);
