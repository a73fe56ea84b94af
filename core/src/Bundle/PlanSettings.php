<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\InvalidField;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Options;
use Yposta\Core\Options\OptionSettings;

/** Reads `plan.csv`: the plan date, the horizon and the options of section 8, one to a row. */
final class PlanSettings
{
    public const FILE = 'plan.csv';

    public function __construct(private readonly Findings $findings)
    {
    }

    /** @param  resource|null  $stream */
    public function read(mixed $stream): ?Options
    {
        $values = $lines = [];
        foreach ($stream === null
            ? []
            : (new CsvFile(self::FILE, $stream, ['key', 'value'], ['key', 'value'], $this->findings))->rows() as $row) {
            $key = $row->values['key'];
            if ($key === '') {
                $this->findings->note(Fault::of('empty'), self::FILE, $row->line, 'key');
            } elseif (isset($lines[$key])) {
                $this->findings->note(Fault::of('twice', ['key' => $key, 'line' => (string) $lines[$key]]), self::FILE, $row->line);
            } elseif (! OptionSettings::isKnown($key)) {
                $this->findings->note(
                    new Fault(Fault::of('setting_unknown', ['key' => mb_substr($key, 0, 60)])->problem, mild: true), self::FILE,
                    $row->line, 'key',
                );
            } elseif ($row->values['value'] !== '') {
                try {
                    $values[$key] = OptionSettings::parse($key, $row->values['value']);
                } catch (InvalidField $trouble) {
                    $this->findings->note($trouble->fault, self::FILE, $row->line, 'value');
                }
            }
            $lines[$key] ??= $row->line;
        }
        if (! isset($values['plan_date'])) {
            isset($lines['plan_date']) && $this->findings->errors !== []
                || $this->findings->note(Fault::of('no_plan_date'), self::FILE, null, 'plan_date');

            return null;
        }
        try {
            return OptionSettings::options($values);
        } catch (InvalidOptions $trouble) {
            $this->findings->note(new Fault($trouble->phrase(), Fault::remedyOf('horizon')), self::FILE, null, 'horizon_end');

            return null;
        }
    }
}
