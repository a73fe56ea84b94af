import { router } from '@inertiajs/react';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Button } from '@/components/Button';
import { Notice } from '@/components/Notice';
import { swapped } from '@/lib/digits';
import { deleteJson, freshKey, getJson, postJson, Refusal } from '@/lib/http';
import type { ForecastPeriod, ForecastRow, ForecastRows, ForecastWritten } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useSure } from '@/lib/useSure';

/** A figure that is put into a cell, as it is typed: a number, nothing, or `+5 %` of what stands there. */
export interface Edit {
    item: string;
    site: string;
    start: string;
    text: string;
}

interface Step {
    commit: number;
    edits: Edit[];
    bucket?: string;
}

interface Edits {
    /** The rows with what was written since they came. */
    rows: ForecastRow[];
    /** What is on its way, by cell; see {@link cellKey}. */
    pending: ReadonlyMap<string, string>;
    /** Puts figures into cells, all or none; says whether it was done. */
    put: (edits: Edit[], bucket?: string) => Promise<boolean>;
    /** Sends something else that writes into the forecast. */
    command: (url: string, body: Record<string, unknown>) => Promise<boolean>;
    /** Takes the forecast away with all its figures. */
    takeAway: () => Promise<boolean>;
    undo: (() => void) | null;
    redo: (() => void) | null;
    /** Changes with everything that was written. */
    stamp: number;
    /** What came of it, and what is asked. */
    said: ReactNode;
    say: (trouble: string) => void;
}

/** Points whose rows are asked for again by themselves; more of them bring the whole list anew. */
const FEW = 40;

const ALL = ['rows', 'allRows', 'forecasts', 'periods', 'bucket', 'plan'];

const pointOf = ({ item, site }: { item: string; site: string }) => `${item}\u001f${site}`;

export function cellKey(item: string, site: string, start: string): string {
    return `${item}\u001f${site}\u001f${start}`;
}

interface Came {
    came: ForecastRow[];
    /** Another where the rows were read anew. */
    since: unknown;
}

type Decimal = 'point' | 'comma';

/** Writes into a forecast one after the other, shows what is on its way, and takes back and does again what was written here. */
export function useForecastEdits(
    forecast: string,
    { came, since }: Came,
    periods: ForecastPeriod[],
    filter: Record<string, string>,
): Edits {
    const [pending, setPending] = useState<ReadonlyMap<string, string>>(new Map());
    const [patches, setPatches] = useState<{ of: unknown; rows: ReadonlyMap<string, ForecastRow> }>({ of: since, rows: new Map() });
    const [undoes, setUndoes] = useState<Step[]>([]);
    const [redoes, setRedoes] = useState<Step[]>([]);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [asked, setAsked] = useState<{ number: string; answer: (decimal: Decimal | null) => void } | null>(null);
    const [stamp, setStamp] = useState(0);
    const [ask, asking] = useSure('Keep it so', 'Nothing has been changed yet.');
    const queue = useRef<Promise<unknown>>(Promise.resolve());

    const rows = useMemo(() => {
        const known = patches.of === since ? patches.rows : new Map<string, ForecastRow>();
        return known.size === 0 ? came : came.map((row) => known.get(pointOf(row)) ?? row);
    }, [came, since, patches]);
    // what the next in turn goes on from: it may begin before what came is drawn
    const newest = useRef(new Map<string, ForecastRow>());
    useEffect(() => {
        newest.current = new Map(rows.map((row) => [pointOf(row), row]));
    }, [rows]);

    const refresh = useCallback(
        async (points: string[]) => {
            if (points.length > FEW || points.some((point) => !came.some((row) => pointOf(row) === point))) {
                router.reload({ only: ALL });
                return;
            }
            const asked = { forecast, size: filter.size ?? '', points: points.join('\n') };
            const answer = await getJson<ForecastRows>('/demand/forecast-rows', asked);
            answer.rows.forEach((row) => newest.current.set(pointOf(row), row));
            setPatches((old) => ({
                of: since,
                rows: new Map([
                    ...(old.of === since ? old.rows : []),
                    ...answer.rows.map((row): [string, ForecastRow] => [pointOf(row), row]),
                ]),
            }));
            router.reload({ only: ['plan'] });
        },
        [came, since, filter.size, forecast],
    );

    /** One after the other, so that each knows which versions the one before has left. */
    const inTurn = <T,>(work: () => Promise<T>): Promise<T> => {
        const turn = queue.current.then(work, work);
        queue.current = turn.catch(() => undefined);
        return turn;
    };
    const done = () => {
        setTrouble(null);
        setStamp((old) => old + 1);
    };
    const refused = (cause: unknown) => {
        setTrouble(cause instanceof Error ? cause.message : String(cause));
        return false;
    };

    const send = (edits: Edit[], bucket?: string, isAgain = false): Promise<boolean> =>
        inTurn(async () => {
            const places = new Map(periods.map(({ start }, place) => [start, place]));
            const known = newest.current;
            const points = new Map<string, Edit[]>();
            edits.forEach((edit) => points.set(pointOf(edit), [...(points.get(pointOf(edit)) ?? []), edit]));
            const sent = [...points].map(([point, list]) => ({
                item: list[0]?.item,
                site: list[0]?.site,
                cells: list.map(({ start, text }) => [start, text, known.get(point)?.versions[places.get(start) ?? -1] ?? 0]),
            }));
            const post = async (decimal: Decimal | null): Promise<ForecastWritten | null> => {
                try {
                    return await ask((sure) =>
                        postJson<ForecastWritten>('/demand/forecast', { forecast, bucket, decimal, sure, key: freshKey(), rows: sent }),
                    );
                } catch (cause) {
                    if (!(cause instanceof Refusal) || cause.reason !== 'decimal') {
                        throw cause;
                    }
                    const number = String(cause.details.number ?? '');
                    const chosen = await new Promise<Decimal | null>((answer) => setAsked({ number, answer }));
                    setAsked(null);
                    return chosen === null ? null : post(chosen);
                }
            };
            try {
                const written = await post(null);
                const commit = written?.commit ?? null;
                if (commit !== null) {
                    setUndoes((old) => [...old, { commit, edits, bucket }]);
                    if (!isAgain) {
                        setRedoes([]);
                    }
                }
                done();
                return written !== null;
            } catch (cause) {
                return refused(cause);
            } finally {
                await refresh([...points.keys()]).catch(refused);
            }
        });

    const put = (edits: Edit[], bucket?: string, isAgain = false): Promise<boolean> => {
        const keys = edits.map(({ item, site, start, text }): [string, string] => [cellKey(item, site, start), text]);
        setPending((old) => new Map([...old, ...keys]));
        return send(edits, bucket, isAgain).finally(() =>
            setPending((old) => {
                const left = new Map(old);
                keys.forEach(([key, text]) => left.get(key) === text && left.delete(key));
                return left;
            }),
        );
    };

    const written = (post: (sure: boolean) => Promise<ForecastWritten>): Promise<boolean> =>
        inTurn(async () => {
            try {
                const { commit } = await ask(post);
                if (commit !== null) {
                    setUndoes((old) => [...old, { commit, edits: [] }]);
                    setRedoes([]);
                }
                done();
                return true;
            } catch (cause) {
                return refused(cause);
            } finally {
                router.reload({ only: ALL });
            }
        });
    const command = (url: string, body: Record<string, unknown>) =>
        written((sure) => postJson<ForecastWritten>(url, { forecast, ...body, sure, key: freshKey() }));
    const takeAway = () => written(() => deleteJson<ForecastWritten>('/demand/forecasts', { forecast, key: freshKey() }));

    const last = undoes.at(-1);
    const undo = (step: Step) =>
        inTurn(async () => {
            setUndoes((old) => old.filter(({ commit }) => commit !== step.commit));
            try {
                await postJson(`/journal/${step.commit}/undo`, { key: freshKey() });
                if (step.edits.length > 0) {
                    setRedoes((old) => [...old, step]);
                }
                done();
            } catch (cause) {
                refused(cause);
            } finally {
                const points = [...new Set(step.edits.map(pointOf))];
                await (points.length === 0 ? refresh(['']) : refresh(points)).catch(refused);
            }
        });
    const next = redoes.at(-1);
    const redo = (step: Step) => {
        setRedoes((old) => old.slice(0, -1));
        void put(step.edits, step.bucket, true);
    };

    const said = (
        <>
            {asking}
            {asked && <DecimalQuestion number={asked.number} onAnswer={asked.answer} />}
            {trouble && (
                <Notice tone="broken" onClose={() => setTrouble(null)}>
                    {trouble}
                </Notice>
            )}
        </>
    );
    return {
        rows,
        pending,
        put,
        command,
        takeAway,
        undo: last ? () => void undo(last) : null,
        redo: next ? () => redo(next) : null,
        stamp,
        said,
        say: setTrouble,
    };
}

/** How a number is meant that can be read in two ways. */
function DecimalQuestion({ number, onAnswer }: { number: string; onAnswer: (decimal: Decimal | null) => void }) {
    const whole = number.replace(/[,.]/g, '');
    return (
        <div
            role="alertdialog"
            aria-label={t('Which number is meant?')}
            className="mb-3 flex flex-wrap items-center gap-2 rounded border border-look bg-look-tint px-3 py-2"
        >
            <strong className="mr-auto">
                {t(':number can be read in two ways. Nothing has been changed yet.', { number: swapped(number) })}
            </strong>
            <Button autoFocus onClick={() => onAnswer('point')}>
                {t('It is :number', { number: whole })}
            </Button>
            <Button onClick={() => onAnswer('comma')}>{t('It is :number', { number: swapped(number.replace(',', '.')) })}</Button>
            <Button onClick={() => onAnswer(null)}>{t('Go back')}</Button>
        </div>
    );
}
