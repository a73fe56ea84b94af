<?php

declare(strict_types=1);

namespace App\Reading;

use App\Support\NumberStyle;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\PutRows;

/** Puts changes into words, from the fields in which they are kept. */
final readonly class ChangeSentences
{
    /** Fields that hold decimals. */
    private const DECIMALS = [
        'qty', 'owed', 'ratio', 'efficiency', 'safetyStock', 'fixedQty', 'stockMin', 'stockMax', 'minQty', 'multiple', 'maxQty', 'percent',
    ];

    /**
     * @param  int  $planDate  day number
     * @param  Network|null  $network  that knows the items and orders they speak of; without one the tables are asked
     * @param  Network|null  $before  that they were made to, so that what was there before is said, too
     */
    public function __construct(private int $planDate, private ?Network $network = null, private ?Network $before = null)
    {
    }

    /**
     * @param  list<Change>  $changes
     * @return list<string>
     */
    public function all(array $changes): array
    {
        return array_map(fn (Change $change) => $this->sentence(ChangeCodec::encode($change)), $changes);
    }

    /** @param  array<string, mixed>  $fields  as {@see ChangeCodec} keeps them */
    public function sentence(array $fields): string
    {
        if (($fields['change'] ?? '') === 'put_rows') {
            $change = ChangeCodec::decode($fields);

            return $change instanceof PutRows ? RowSentences::of($change, $this->before) : '';
        }
        if (($fields['change'] ?? '') === 'count_rows') {
            return (string) trans('data.changed.counted_stock', ['count' => count((array) ($fields['rows'] ?? []))]);
        }
        if (($fields['change'] ?? '') === 'bring_orders') {
            return (string) trans('data.changed.brought_orders', ['count' => count((array) ($fields['rows'] ?? []))]);
        }
        $line = $fields['line'] ?? null;
        $fields = is_array($line) ? [...$fields, ...$line] : $fields;
        $values = [];
        foreach ($fields as $name => $value) {
            if (is_scalar($value)) {
                $values[$name] = in_array($name, ['due', 'from', 'to', 'start', 'day'], true)
                    ? $this->moment((string) $value)
                    : self::number($name, (string) $value);
            }
        }
        $kind = (string) ($fields['change'] ?? '');
        $key = match ($kind) {
            'put_order' => 'put_order_'.($fields['kind'] ?? 'make'),
            'pin_order' => ($fields['pinned'] ?? true) === true ? 'pin_order' : 'free_order',
            'release_order' => ($fields['released'] ?? true) === true ? $kind : 'recall_order',
            'swap_component' => isset($fields['qty']) ? 'swap_component_part' : $kind,
            'work_days' => ($fields['works'] ?? false) === true ? $kind : 'close_days',
            'close_centre' => isset($fields['unit']) ? 'close_unit' : $kind,
            'fix_operation' => ($fields['fixed'] ?? true) === true ? $kind : 'loose_operation',
            'hold_order' => ($fields['held'] ?? true) === true ? $kind : 'let_go_order',
            'start_not_before' => isset($fields['day']) ? $kind : 'start_any_day',
            'block_stock' => ($fields['released'] ?? false) === true ? 'release_stock' : $kind,
            'scrap_blocked' => ($fields['back'] ?? false) === true ? 'unscrap_blocked' : $kind,
            'finish_by' => isset($fields['day']) ? $kind : 'finish_when_due',
            default => $kind,
        };
        $values['what'] = $this->what($fields);
        $values['why'] = ($fields['reason'] ?? '') === '' ? '' : " ({$values['reason']})";
        isset($values['weekdays']) && $values['weekdays'] = Words::weekdays($values['weekdays']);
        $values['whom'] = $this->whom($fields);
        $values['supply'] = $this->reference((string) ($fields['supply'] ?? ''));
        $values['demand'] = $this->reference((string) ($fields['demand'] ?? ''));
        $values['supplier'] ??= trans('no supplier');
        if (NewOrderCode::is((string) ($values['order'] ?? ''))) {
            $values['order'] = trans('the new order');
        }
        if (isset($values['qty'])) {
            $values['qty'] = trim("{$values['qty']} ".$this->unit($fields));
        }

        return (string) trans("changes.{$key}", $values);
    }

    /**
     * What of a study's parameters differs from the live plan.
     *
     * @param  array<string, mixed>  $parameters
     * @return list<string>
     */
    public function parameters(array $parameters): array
    {
        $said = [];
        isset($parameters['horizonEnd'])
            && $said[] = (string) trans('changes.parameters.horizonEnd', ['value' => $this->day((string) $parameters['horizonEnd'])]);
        foreach (['forecasts', 'sites'] as $list) {
            if (isset($parameters[$list])) {
                $said[] = (string) ($parameters[$list] === []
                    ? trans("changes.parameters.no_{$list}")
                    : trans("changes.parameters.{$list}", ['value' => implode(', ', (array) $parameters[$list])]));
            }
        }
        ($parameters['safetyStock'] ?? true) === false && $said[] = (string) trans('changes.parameters.no_safety_stock');
        ($parameters['calendars'] ?? true) === false && $said[] = (string) trans('changes.parameters.no_calendars');
        isset($parameters['schedule'])
            && $said[] = (string) ($parameters['schedule'] === true
                ? trans('changes.parameters.schedule')
                : trans('changes.parameters.no_schedule'));
        ($parameters['consume'] ?? true) === false && $said[] = (string) trans('changes.parameters.no_consume');
        foreach (['families', 'items', 'demand', 'supply'] as $list) {
            $names = array_map(Stored::text(...), (array) ($parameters[$list] ?? []));
            $names === [] || $said[] = (string) trans("changes.parameters.{$list}", ['value' => implode(', ', $names)]);
        }
        foreach (['soldOnly', 'pegByPriority'] as $switch) {
            ($parameters[$switch] ?? false) === true && $said[] = (string) trans("changes.parameters.{$switch}");
        }

        return $said;
    }

    /** A decimal as the company writes it; what is none stays as it is. */
    private static function number(string $name, string $value): string
    {
        return in_array($name, self::DECIMALS, true) ? NumberStyle::now()->written($value) : $value;
    }

    /** @param  array<string, mixed>  $fields */
    private function what(array $fields): string
    {
        $said = [];
        foreach (array_keys((array) trans('changes.fields')) as $name) {
            $value = $fields[$name] ?? null;
            if (is_scalar($value)) {
                $value = $name === 'due'
                    ? $this->day((string) $value)
                    : ($name === 'lotRule'
                        ? (string) trans("changes.lot_rule.{$value}")
                        : ($name === 'supply' ? (string) trans("supply.{$value}") : self::number($name, (string) $value)));
                $said[] = (string) trans("changes.fields.{$name}", ['value' => $value]);
            }
        }

        return implode(', ', $said);
    }

    /** @param  array<string, mixed>  $fields */
    private function whom(array $fields): string
    {
        $names = [...(array) ($fields['items'] ?? []), ...(array) ($fields['customers'] ?? [])];

        return $names === [] ? '' : ' '.trans('of :names', ['names' => implode(', ', array_map(strval(...), $names))]);
    }

    /** A reference without its kind; stock is called so. */
    private function reference(string $reference): string
    {
        return $reference === '' ? '' : Words::say(HoldSupply::named($reference), $this->planDate);
    }

    /** @param  array<string, mixed>  $fields */
    private function unit(array $fields): string
    {
        $item = is_string($fields['item'] ?? null) ? $fields['item'] : null;
        $order = is_string($fields['order'] ?? null) && ($fields['change'] ?? '') !== 'swap_component' ? $fields['order'] : null;
        if ($item === null && $order !== null) {
            $item = $this->network === null
                ? DB::table('order_lines')->where('code', $order)->value('item_code')
                : $this->network->orders[$order]->item ?? null;
        }

        return ! is_string($item)
            ? ''
            : (string) ($this->network === null
                ? DB::table('items')->where('code', $item)->value('unit')
                : $this->network->items[$item]->unit ?? '');
    }

    /** A day, a minute of one, or a time of day, which stays as it is. */
    private function moment(string $text): string
    {
        return str_contains(substr($text, 0, 3), ':') ? $text : $this->day(substr($text, 0, 10)).substr($text, 10);
    }

    private function day(string $iso): string
    {
        return Words::day(Day::parse($iso), $this->planDate);
    }
}
