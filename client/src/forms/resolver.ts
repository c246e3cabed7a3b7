import { valibotResolver } from '@hookform/resolvers/valibot';
import type { FieldValues, Resolver } from 'react-hook-form';
import type * as v from 'valibot';

/** Any schema with this output, whatever it takes in. */
interface SchemaOf<Values> {
  readonly '~standard': { readonly types?: { readonly output: Values } | undefined };
}

/** Checks a form by a schema whose input are the typed texts and whose output are the values. */
export const resolverOf = <Fields extends FieldValues, Values>(
  schema: SchemaOf<Values>,
): Resolver<Fields, unknown, Values> =>
  valibotResolver(schema as unknown as v.GenericSchema<Fields, FieldValues>) as unknown as Resolver<
    Fields,
    unknown,
    Values
  >;
