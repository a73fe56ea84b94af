<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\AskedSchedule;
use App\Reading\Shapes\ArrivalChangeRow;
use App\Reading\Shapes\ArrivalKind;
use App\Reading\Shapes\DraftFigure;
use App\Reading\Shapes\ScheduleAsked;
use App\Reading\Shapes\ScheduledRow;
use App\Reading\Shapes\ScheduleSides;
use App\Reading\Shapes\ScheduleStage;
use App\Reading\Shapes\ScheduleState;
use App\Reading\Shapes\ScheduleStatus;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Scheduling\ScheduleAim;
use Yposta\Core\Scheduling\ScheduleDirection;
use Yposta\Core\Scheduling\ScheduleRule;

/** A schedule that was asked for, in words. */
final class ScheduleView
{
    private const MINUTES_OF_HOUR = 60;

    /** Figures by name: what they are called, and whether more is better; null where it is neither. */
    private const FIGURES = [
        'orders' => ['Orders and proposals', null],
        'on_time' => ['On time', true],
        'late_days' => ['Days late', false],
        'weighted_late' => ['Days late by urgency', false],
        'setup_min' => ['Hours of setup', false],
        'waiting_min' => ['Hours of waiting between operations', false],
        'moved' => ['Operations moved', null],
        'frozen_moved' => ['Held in place, but moved', false],
    ];

    public static function last(): ?AskedSchedule
    {
        return AskedSchedule::query()->with('user')->orderByDesc('id')->first();
    }

    /** What was asked for, as the form has it. */
    public static function asked(?AskedSchedule $schedule): ScheduleAsked
    {
        $options = $schedule->options ?? [];

        return $options === [] ? new ScheduleAsked : new ScheduleAsked(
            rule: ScheduleRule::from($options['rule']), direction: ScheduleDirection::from($options['direction']),
            aim: ScheduleAim::from($options['aim']), steps: (int) $options['steps'], seconds: (int) $options['seconds'],
            frozenDays: (int) $options['frozenDays'], proposalsDays: (int) $options['proposalsDays'],
            setupWindow: (int) $options['setupWindow'],
        );
    }

    public static function of(AskedSchedule $schedule): ScheduleState
    {
        $commit = $schedule->commit_id === null ? null
            : DB::table('commits')->where('id', $schedule->commit_id)->whereNull('undone_at')->value('id');

        return new ScheduleState(
            id: $schedule->id,
            status: ScheduleStatus::from($schedule->status),
            stage: ScheduleStage::tryFrom((string) $schedule->stage),
            asked: self::said($schedule->options),
            by: $schedule->user->name ?? '',
            steps: $schedule->steps,
            wanted: (int) $schedule->options['steps'],
            best: $schedule->best === null ? null : ($schedule->options['aim'] === ScheduleAim::Late->value
                ? (string) trans(':count days late by urgency', ['count' => Words::money($schedule->best)])
                : (string) trans('the last ends at minute :count', ['count' => Words::money($schedule->best)])),
            trouble: $schedule->trouble,
            finishedAt: $schedule->finished_at?->toIso8601String(),
            commit: is_numeric($commit) ? (int) $commit : null,
            sides: $schedule->summary === null ? null : self::sides($schedule->summary),
        );
    }

    /**
     * @param  array<string, mixed>  $options
     * @return list<string>
     */
    private static function said(array $options): array
    {
        $rules = ['due' => 'the first due goes first', 'priority' => 'the most urgent goes first', 'list' => 'as orders are listed', 'setup' => 'least setup'];

        return array_values(array_filter([
            (string) trans($rules[$options['rule']]),
            (string) trans($options['direction'] === 'forward' ? 'as early as possible' : 'as late as possible'),
            $options['frozenDays'] > 0 ? trans_choice('{1} one day frozen|[2,*] :count days frozen', (int) $options['frozenDays']) : '',
            $options['proposalsDays'] > 0
                ? trans_choice('{1} proposals of one day|[2,*] proposals of :count days', (int) $options['proposalsDays'])
                : '',
            $options['centres'] === null ? '' : (string) trans('only :names', ['names' => implode(', ', $options['centres'])]),
            $options['orders'] === null ? '' : (string) trans('only :names', ['names' => implode(', ', $options['orders'])]),
        ]));
    }

    /** @param  array<string, mixed>  $summary  see {@see \App\Trials\Views\ScheduleSummary} */
    private static function sides(array $summary): ScheduleSides
    {
        $notes = [];
        foreach ($summary['without'] as $reference => $centre) {
            $notes[] = (string) trans(':order has no room at :centre and was left out', ['order' => self::name($reference), 'centre' => $centre]);
        }
        foreach ($summary['absent'] ?? [] as $code) {
            $notes[] = (string) trans(':order is not in the schedule: it is held back, over, or has no operations', ['order' => $code]);
        }
        foreach ($summary['displaced'] as $operation) {
            [$reference, $op] = [...explode(' ', $operation, 2), ''];
            $notes[] = (string) trans('Operation :op of :order could not stay where it was', ['op' => $op, 'order' => self::name($reference)]);
        }

        return new ScheduleSides(
            figures: self::figures($summary['figures']),
            totals: Figures::changed($summary['totals']),
            lines: array_values(array_map(
                fn (array $line) => new ArrivalChangeRow(...[...$line, 'kind' => ArrivalKind::from($line['kind'])]), $summary['lines'],
            )),
            lineCount: $summary['lineCount'],
            orders: array_values(array_map(self::row(...), $summary['orders'])),
            orderCount: $summary['orderCount'],
            notes: $notes,
            kept: $summary['kept'],
        );
    }

    /**
     * @param  array<string, array{int, int}>  $figures
     * @return list<DraftFigure>
     */
    private static function figures(array $figures): array
    {
        $rows = [];
        foreach (self::FIGURES as $name => [$label, $moreIsBetter]) {
            [$before, $after] = array_map(fn (int $value) => match ($name) {
                'setup_min' => (int) round($value / Quantity::ONE / self::MINUTES_OF_HOUR),
                'waiting_min' => (int) round($value / self::MINUTES_OF_HOUR),
                default => $value,
            }, $figures[$name] ?? [0, 0]);
            $rows[] = DraftFigure::of($name, (string) trans($label), $before, $after, $moreIsBetter);
        }

        return $rows;
    }

    /** @param  array<string, mixed>  $row */
    private static function row(array $row): ScheduledRow
    {
        $reference = Reference::parse($row['reference']);
        $isOrder = $reference->kind === ReferenceKind::Order;
        $why = match (true) {
            $row['lateAfter'] === 0 => null,
            $row['centre'] !== null => (string) trans('no capacity at :centre', ['centre' => $row['centre']]),
            $row['waitsFor'] !== null => (string) trans('waits for :what', ['what' => $row['waitsFor']]),
            default => null,
        };

        return new ScheduledRow(...[
            ...array_diff_key($row, ['site' => 1, 'centre' => 1, 'waitsFor' => 1]),
            'label' => $isOrder ? $reference->name : null,
            'href' => $isOrder ? Describe::orderHref($reference->name) : Describe::itemHref($row['item'], $row['site']),
            'why' => $why,
        ]);
    }

    private static function name(string $reference): string
    {
        $parsed = Reference::parse($reference);

        return $parsed->kind === ReferenceKind::Order ? $parsed->name : (string) trans('a proposal');
    }
}
