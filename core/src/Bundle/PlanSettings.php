<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use InvalidArgumentException;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Options;

/** Reads `plan.csv`: the plan date, the horizon and the options of section 8, one to a row. */
final class PlanSettings
{
    private const FILE = 'plan.csv';

    private const MOST_DAYS = 3660;

    /** @var array<string, bool|int|string|BucketSize|list<string>> arguments of {@see Options} by name */
    private array $arguments = [];

    /** @var array<string, true> */
    private array $seen = [];

    public function __construct(private readonly Files $files)
    {
    }

    public function read(): ?Options
    {
        foreach ($this->files->rows(self::FILE) as $row) {
            $key = $row->code('key');
            $this->files->unique(self::FILE, $row, [$key]);
            $this->seen[$key] = true;
            $row->isEmpty('value') || $this->setting($key, $row);
        }
        if (! isset($this->arguments['planDate'])) {
            isset($this->seen['plan_date']) && $this->files->findings->errors !== []
                || $this->files->findings->error(self::FILE, null, 'plan_date', 'the plan date is missing', 'add a row like plan_date,2026-03-02');

            return null;
        }
        try {
            return new Options(...$this->arguments); // @phpstan-ignore argument.type (each was read with the type of its key)
        } catch (InvalidArgumentException $trouble) {
            $this->files->findings->error(self::FILE, null, 'horizon_end', $trouble->getMessage(), 'choose another horizon');

            return null;
        }
    }

    private function setting(string $key, Row $row): void
    {
        match ($key) {
            'plan_date' => $this->arguments['planDate'] = $row->day('value'),
            'horizon_end' => $this->arguments['horizonEnd'] = $row->day('value'),
            'calendars' => $this->arguments['calendars'] = $this->switch($row),
            'bring_in_days' => $this->arguments['bringInDays'] = $row->whole('value', 0, self::MOST_DAYS),
            'push_out_days' => $this->arguments['pushOutDays'] = $row->whole('value', 0, self::MOST_DAYS),
            'forecasts' => $this->arguments['forecasts'] = $this->list($row),
            'consume' => $this->arguments['consume'] = $this->switch($row),
            'consume_back_days' => $this->arguments['consumeBackDays'] = $row->whole('value', 0, self::MOST_DAYS),
            'consume_forward_days' => $this->arguments['consumeForwardDays'] = $row->whole('value', 0, self::MOST_DAYS),
            'forecast_placement' => $this->arguments['spread'] = $this->oneOf($row, ['start', 'spread']) === 'spread',
            'safety_stock' => $this->arguments['safetyStock'] = $this->switch($row),
            'peg_rule' => $this->arguments['pegByPriority'] = $this->oneOf($row, ['date', 'priority']) === 'priority',
            'demand' => $this->arguments['demand'] = $this->some($row, Options::DEMANDS),
            'supply' => $this->arguments['supply'] = $this->some($row, Options::SUPPLIES),
            'sites' => $this->arguments['sites'] = $this->list($row),
            'items' => $this->arguments['items'] = $this->list($row),
            'bucket' => $this->arguments['bucket'] = $row->choice('value', BucketSize::Week),
            default => $row->warn('key', "the setting '{$key}' is not known and was ignored"),
        };
    }

    private function switch(Row $row): bool
    {
        return $this->oneOf($row, ['on', 'off']) === 'on';
    }

    /** @param  non-empty-list<string>  $allowed */
    private function oneOf(Row $row, array $allowed): string
    {
        $value = $row->text('value');
        in_array($value, $allowed, true) || $row->wrong('value', "'{$value}' is not known", 'one of '.implode(', ', $allowed));

        return $value;
    }

    /** @return list<string> */
    private function list(Row $row): array
    {
        return array_values(array_filter(array_map(trim(...), explode(';', $row->text('value'))), fn (string $name) => $name !== ''));
    }

    /**
     * @param  non-empty-list<string>  $allowed
     * @return list<string>
     */
    private function some(Row $row, array $allowed): array
    {
        $values = $this->list($row);
        foreach (array_diff($values, $allowed) as $value) {
            $row->wrong('value', "'{$value}' is not known", 'some of '.implode(', ', $allowed));
        }

        return $values;
    }
}
