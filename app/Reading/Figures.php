<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Reading\Shapes\DraftFigure;
use App\Reading\Shapes\TodayFigure;
use App\Support\Words;

/** The figures of a plan against those of the one before. */
final class Figures
{
    /** Figures in which more is worse, in the order in which they are shown. */
    private const FIGURES = [
        'lateLines' => 'Lines late',
        'lateDays' => 'Days late in all',
        'short' => 'Items short',
        'startPassed' => 'Past their date to start',
        'proposals' => 'Proposals',
        'messages' => 'Messages',
        'stockValue' => 'Stock value on average',
        'neededValue' => 'Needed, at cost',
        'buyValue' => 'To buy, at cost',
        'workHours' => 'Hours of work',
        'overHours' => self::OVER,
    ];

    /** Figures of a try, after those of a run; more of them is neither worse nor better. */
    private const MORE = ['moves' => 'Purchases to move', 'purchases' => 'Purchases to add'];

    /** Of the load, where a change touches it. */
    private const OVER = 'Hours over 100 %';

    private const NEUTRAL = ['proposals', 'messages', 'stockValue', 'neededValue', 'buyValue', 'workHours'];

    /** @return list<TodayFigure> */
    public static function of(Run $run, ?Run $before): array
    {
        $figures = [];
        foreach (self::FIGURES as $key => $label) {
            $value = self::value($run, $key);
            $change = isset($before->summary[$key]) ? $value - self::value($before, $key) : null; // an older plan may not have it
            $figures[] = new TodayFigure(
                $key, trans($label), Words::money($value),
                $change === null
                    ? null
                    : ($change === 0 ? (string) trans('same') : ($change > 0 ? '+' : "\u{2212}").Words::money(abs($change))),
                ! in_array($key, self::NEUTRAL, true) && $change !== null && $change > 0,
            );
        }

        return $figures;
    }

    /** @return array<string, array{string, bool}> label, and whether more is worse, by name */
    public static function labels(): array
    {
        $labels = [];
        foreach (self::FIGURES as $key => $label) {
            $labels[$key] = [(string) trans($label), ! in_array($key, self::NEUTRAL, true)];
        }

        return $labels;
    }

    /**
     * The totals that a change moves.
     *
     * @param  array<string, array{int, int}>  $figures  before and after, by name
     * @return list<DraftFigure>
     */
    public static function changed(array $figures): array
    {
        $labels = self::labels();
        foreach (self::MORE as $name => $label) {
            $labels[$name] = [(string) trans($label), false];
        }
        $rows = [];
        foreach ($labels as $name => [$label, $moreIsWorse]) {
            [$before, $after] = $figures[$name] ?? [0, 0];
            if ($before !== $after) {
                $rows[] = DraftFigure::of($name, $label, $before, $after, $moreIsWorse ? false : null);
            }
        }

        return $rows;
    }

    /**
     * Hours by which work centres have more to do than they can; null where that does not change.
     *
     * @param  int  $was  without the change
     * @param  int  $is  with it
     */
    public static function over(int $was, int $is): ?DraftFigure
    {
        return $was === $is ? null : DraftFigure::of('overHours', (string) trans(self::OVER), $was, $is, false);
    }

    /** Whether more of a figure is worse. */
    public static function isWorse(string $key): bool
    {
        return ! in_array($key, self::NEUTRAL, true);
    }

    public static function value(Run $run, string $key): int
    {
        $value = $run->summary[$key] ?? 0;

        return is_array($value) ? (int) array_sum($value) : (int) $value;
    }

    public static function before(Run $run): ?Run
    {
        return Run::query()->where('status', 'done')->whereNull('study_id')->where('id', '<', $run->id)->orderByDesc('id')->first();
    }
}
