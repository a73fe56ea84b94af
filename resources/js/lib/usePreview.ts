import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { postJson } from '@/lib/http';
import type { ConversionPreview } from '@/lib/shapes';
import { useSettled } from '@/lib/useSettled';

const PAUSE = 120;

interface Preview {
    preview: ConversionPreview | null;
    /** Whether it is of what is picked and typed now. */
    isFresh: boolean;
    trouble: string | null;
}

/**
 * What converting would make, asked for again whenever what is picked or typed has settled; the old stays until the new is there.
 *
 * @param wish the body of the request as text; empty where nothing is picked or changed
 */
export function usePreview(wish: string): Preview {
    const settled = useSettled(wish, PAUSE);
    const { data, error, isPlaceholderData, isFetching } = useQuery<ConversionPreview>({
        queryKey: ['preview', settled],
        queryFn: () => postJson<ConversionPreview>('/proposals/preview', JSON.parse(settled)),
        enabled: settled !== '',
        placeholderData: keepPreviousData,
        retry: false,
    });
    const isFresh = settled === wish && !isPlaceholderData && !isFetching && data !== undefined;
    return { preview: wish === '' ? null : (data ?? null), isFresh, trouble: error?.message ?? null };
}
