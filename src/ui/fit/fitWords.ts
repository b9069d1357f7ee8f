import { type FitAim, type FitFault } from '@/core/fit';

export const aimWords: Readonly<Record<FitAim, { readonly name: string; readonly about: string }>> =
  {
    cost: { name: 'Least money', about: 'what costs least, your own first because it is free' },
    uniform: { name: 'Calmest look', about: 'as few different containers as will do' },
    reuse: { name: 'Reuse first', about: 'as few new pieces as will do' },
    easy: { name: 'Easiest to use', about: 'least to lift away to get at something' },
  };
export const fitFaultWords = (fault: FitFault): string =>
  `${fault.subject}: ${fault.rule.replaceAll('_', ' ')}`;
