import { zodResolver } from '@hookform/resolvers/zod';
import {
  get,
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type RegisterOptions,
} from 'react-hook-form';
import type { z } from 'zod';
import { limitWords } from '#core/kit';
import type { UnitSystem } from '#core/units';
import { ApiProblem } from '../sync/api.ts';

/** As the resolver wants a schema: what is typed and what comes out of it. */
type FormSchema<T extends FieldValues> = z.ZodType<T, T>;

/** Nothing typed is nothing said. */
export const words = (text: unknown) =>
  typeof text === 'string' && text.trim() === '' ? undefined : text;

/** An empty field holds null: left out, it is what its schema calls missing. */
const withoutEmpty = <T extends FieldValues>(values: T): T =>
  Object.fromEntries(Object.entries(values).filter(([, v]) => v !== null)) as T;

/**
 * A form made from the schema of what it sends: limits and messages are the schema's, and what the
 * server refuses stands beside the field it is about. Once sent it is empty again.
 */
export function usePostForm<T extends FieldValues>(
  schema: FormSchema<T>,
  defaultValues: DefaultValues<T>,
  send: (body: T) => Promise<void>,
  units: UnitSystem = 'metric',
) {
  const resolve = zodResolver(schema, { error: limitWords(units) });
  const form = useForm<T, unknown, T>({
    resolver: (values, context, options) => resolve(withoutEmpty(values), context, options),
    defaultValues,
    mode: 'onTouched',
  });
  const { errors } = form.formState;
  const submit = form.handleSubmit(async (body) => {
    try {
      await send(body);
      form.reset(defaultValues);
    } catch (e) {
      const issues = e instanceof ApiProblem ? (e.problem.issues ?? []) : [];
      for (const i of issues) form.setError(i.path as Path<T>, { message: i.message });
      if (issues.length === 0)
        form.setError('root', { message: e instanceof Error ? e.message : 'That did not work.' });
    }
  });
  const said = (name: Path<T>): string | undefined => {
    const message: unknown = get(errors, `${name}.message`);
    return typeof message === 'string' ? message : undefined;
  };
  /** What a field is given: its place in what is sent, and what is wrong with it. */
  const field = (name: Path<T>, options?: RegisterOptions<T, Path<T>>) => ({
    error: said(name),
    ...form.register(name, options),
  });
  return {
    ...form,
    submit,
    said,
    field,
    problem: errors.root?.message,
    busy: form.formState.isSubmitting,
  };
}
