import * as z from 'zod';
import { decimalField, idOf, nameField, shortField, textField } from './fields.ts';

/** Languages that what goes to a client can be written in, as BCP 47 tags. */
export const LANGUAGES_OF_DOCUMENTS = ['en-US', 'en-GB'] as const;
export type LanguageOfDocuments = (typeof LANGUAGES_OF_DOCUMENTS)[number];

/** Ways to write a day that are not left to the language. */
export const DATE_STYLES = ['iso', 'numbers'] as const;
export type DateStyle = (typeof DATE_STYLES)[number];

/** What holds for the job as a whole. Every job has exactly one. */
export const settingsSchema = z
  .strictObject({
    type: z.literal('settings'),
    id: idOf('settings'),
    name: nameField,
    client: shortField,
    clientAddress: textField,
    company: shortField,
    companyAddress: textField,
    /** As tax offices know the company; stands on the bid. */
    taxNumber: shortField.optional(),
    /** What a company keeps for all its jobs, rather than a job. */
    ofCompany: z.literal(true).optional(),
    location: shortField,
    unitSystem: z.enum(['us', 'metric']),
    /** ISO 4217 code. */
    currency: z.string().regex(/^[A-Z]{3}$/),
    decimalMark: z.enum(['.', ',']),
    groupMark: z.enum([',', '.', ' ', '']),
    /** Percent on the material cost of the job. */
    taxOnMaterials: decimalField,
    /** ISO date the bid is given; empty until then. */
    bidDate: z.string().regex(/^(\d{4}-\d{2}-\d{2})?$/),
    validDays: z.number().int().min(0).max(3650),
    inclusions: textField,
    exclusions: textField,
    /** The notes of the assemblies, with their figures of the moment, stand in the bid. */
    notesInBid: z.boolean().optional(),
    /** Left out: documents are in the language of the interface. */
    documentLanguage: z.enum(LANGUAGES_OF_DOCUMENTS).optional(),
    /** The bid is a multiple of this many units of money. */
    bidStep: decimalField.optional(),
    bidRounding: z.enum(['nearest', 'up', 'down']).optional(),
    regionId: idOf('region').optional(),
    /** How hard the job as a whole is to work in: factors on all hours. */
    difficulty: z.array(idOf('difficulty')).max(20).readonly().optional(),
    /** Lines of assemblies stand in the section their cost code belongs to, not under what was measured. */
    linesBy: z.literal('code').optional(),
    /** Of the document, as the office counts its bids. */
    bidNumber: shortField.optional(),
    /** How often it was sent out changed; the first time is 0. */
    bidRevision: z.number().int().min(0).max(999).optional(),
    /** Tax on all that is sold, added below the total; sections may have a rate of their own. */
    valueAddedTax: z
      .strictObject({
        name: nameField,
        percent: decimalField,
        rates: z
          .array(z.strictObject({ sectionId: idOf('section'), percent: decimalField }).readonly())
          .max(200)
          .readonly()
          .optional(),
      })
      .readonly()
      .optional(),
    /** How days are written on documents; left out, as their language has it. */
    dateStyle: z.enum(DATE_STYLES).optional(),
    paper: z.enum(['letter', 'a4']).optional(),
    /** What comes from the library later comes without sample prices as well. */
    noSamples: z.literal(true).optional(),
    /** Prices older than this are doubted; 180 days where left out. */
    priceDays: z.number().int().min(1).max(3650).optional(),
  })
  .readonly();

export type Settings = z.infer<typeof settingsSchema>;
