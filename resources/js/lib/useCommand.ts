import { useMutation } from '@tanstack/react-query';
import { Refusal } from '@/lib/http';

interface Command<Args, Answer> {
    send: (args: Args) => void;
    /** Sends as well, and tells whether it was done. */
    sent: (args: Args) => Promise<boolean>;
    busy: boolean;
    /** Why it was refused, for the person; null where it was not, or was dealt with. */
    trouble: string | null;
    answer: Answer | null;
    /** Forgets what came of it. */
    clear: () => void;
}

/**
 * Something a person has done: sent once, busy until it is answered, then done or refused. While it is busy, sending again does nothing;
 * what has a queue waits there instead until all that was sent before it is answered.
 *
 * @param refused says whether it has dealt with a refusal itself, so that there is no trouble to show
 */
export function useCommand<Args, Answer>(
    send: (args: Args) => Promise<Answer>,
    done: (answer: Answer, args: Args) => void = () => undefined,
    refused: (refusal: Refusal, args: Args) => boolean = () => false,
    queue?: string,
): Command<Args, Answer> {
    const { mutate, mutateAsync, isPending, error, data, reset } = useMutation<Answer, Error, Args>({
        mutationFn: send,
        scope: queue === undefined ? undefined : { id: queue },
        onSuccess: done,
        onError: (cause, args) => {
            if (cause instanceof Refusal && refused(cause, args)) {
                reset();
            }
        },
    });
    return {
        send: (args) => {
            if (queue !== undefined || !isPending) {
                mutate(args);
            }
        },
        sent: (args) =>
            mutateAsync(args).then(
                () => true,
                () => false,
            ),
        busy: isPending,
        trouble: error === null ? null : error.message,
        answer: data ?? null,
        clear: reset,
    };
}
