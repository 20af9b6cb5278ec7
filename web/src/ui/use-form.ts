import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import {
  type DefaultValues,
  type FieldValues,
  type UseFormReturn,
  useForm as useHookForm,
} from 'react-hook-form';
import type { z } from 'zod';

/** A form that is held to a schema of the contract; what is wrong is told at its field when it is sent. */
export function useForm<Values extends FieldValues, Sent>(
  schema: z.ZodType<Sent, Values>,
  defaultValues: DefaultValues<Values>,
): UseFormReturn<Values, unknown, Sent> {
  return useHookForm<Values, unknown, Sent>({ resolver: standardSchemaResolver(schema), defaultValues });
}
