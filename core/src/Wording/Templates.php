<?php

declare(strict_types=1);

namespace Yposta\Core\Wording;

use OutOfBoundsException;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Support\Phrasebook;
use Yposta\Core\Support\Value;

/**
 * A phrasebook made of templates: sentences with placeholders like `:item`, and how the language writes days and numbers.
 *
 * A placeholder with a capital begins with one in the sentence, too. A template with two forms, `one|many`, takes the first where the
 * value `count` is 1.
 */
final class Templates implements Phrasebook
{
    /** @var array<int, string> days as they are written, for few are written often */
    private array $days = [];

    /**
     * @param  array<string, string>  $templates  by code
     * @param  int|null  $planDate  day number: days of its year are written without the year; null writes the year always
     */
    private function __construct(private readonly array $templates, private readonly ?int $planDate)
    {
    }

    /** @param  array<string, mixed>  $templates  by code; nested ones are named with dots */
    public static function of(array $templates): self
    {
        return new self(self::flat($templates), null);
    }

    public function on(int $planDate): self
    {
        return $planDate === $this->planDate ? $this : new self($this->templates, $planDate);
    }

    public function say(Phrase $phrase): string
    {
        $template = $this->templates[$phrase->code] ?? throw new OutOfBoundsException("no words for {$phrase->code}");
        if (str_contains($template, '|')) {
            [$one, $many] = explode('|', $template, 2);
            $template = ($phrase->values['count'] ?? 0) === 1 ? $one : $many;
        }
        $pairs = [];
        foreach ($phrase->values as $name => $value) {
            $pairs[":{$name}"] = $said = $this->value($value);
            $capital = ':'.ucfirst($name);
            if (str_contains($template, $capital)) {
                $pairs[$capital] = mb_strtoupper(mb_substr($said, 0, 1)).mb_substr($said, 1);
            }
        }

        return strtr($template, $pairs); // the longest name first
    }

    /** "Thu 12 Mar", with the year when it differs from that of the plan date. */
    public function day(int $day): string
    {
        return $this->days[$day] ??= $this->written($day);
    }

    private function written(int $day): string
    {
        [$number, $month, $year] = explode(' ', gmdate('j n Y', $day * 86400));
        $sameYear = $this->planDate !== null && $year === gmdate('Y', $this->planDate * 86400);

        return strtr($this->templates[$sameYear ? 'format.day' : 'format.day_of_year'] ?? ':weekday :day :month :year', [
            ':weekday' => $this->templates['weekday.'.Day::weekday($day)] ?? '', ':day' => $number,
            ':month' => $this->templates["month.{$month}"] ?? '', ':year' => $year,
        ]);
    }

    /** A decimal as the language writes it: groups of three, its decimal mark, a true minus. */
    public function number(string $decimal): string
    {
        [$whole, $fraction] = [...explode('.', ltrim($decimal, '-'), 2), ''];
        $grouped = (string) preg_replace('/\B(?=(\d{3})+$)/', $this->templates['format.group'] ?? ',', $whole);

        return (str_starts_with($decimal, '-') ? "\u{2212}" : '').$grouped
            .($fraction === '' ? '' : ($this->templates['format.decimal'] ?? '.').$fraction);
    }

    public function amount(Amount $amount): string
    {
        return trim($this->number(Quantity::format($amount->millionths)).' '.$amount->unit);
    }

    /** @param  int|string|Value|Phrase|list<Phrase>|null  $value */
    private function value(int|string|Value|Phrase|array|null $value): string
    {
        return match (true) {
            $value instanceof Amount => $this->amount($value),
            $value instanceof Date => $this->day($value->day),
            $value instanceof Phrase => $this->say($value),
            is_array($value) => implode(', ', array_map($this->say(...), $value)),
            is_int($value) => $this->number((string) $value),
            default => (string) $value,
        };
    }

    /**
     * @param  array<mixed>  $templates
     * @return array<string, string>
     */
    private static function flat(array $templates, string $prefix = ''): array
    {
        $flat = [];
        foreach ($templates as $name => $template) {
            if (is_array($template)) {
                $flat += self::flat($template, "{$prefix}{$name}.");
            } elseif (is_string($template)) {
                $flat[$prefix.$name] = $template;
            }
        }

        return $flat;
    }
}
