import { z } from 'zod';
import { currencies } from './money';

export const currencySchema = z.enum(currencies);

export const priceMinorSchema = z.number().int().min(0).max(1_000_000_000);
