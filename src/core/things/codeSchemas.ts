import { z } from 'zod';
import { cautionCodes, goesToCodes } from './codes';

export const cautionSchema = z.enum(cautionCodes);

export const goesToSchema = z.enum(goesToCodes);
