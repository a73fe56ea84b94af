<?php

declare(strict_types=1);

namespace App\Intake;

use App\Planning\NetworkReader;
use App\Planning\TableMap;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\OperationAlternative;
use Yposta\Core\Network\Substitute;

/** The rows of a kind that stand in its table, to be found by what a brought table says of them. */
final class StandingRows
{
    /** What tells rows without a key apart, by class: the first of these of which all that must be filled are brought. */
    private const TOLD_BY = [
        BomLine::class => [['item', 'site', 'line'], ['item', 'site', 'component']],
        Substitute::class => [['item', 'component', 'substitute']],
        OperationAlternative::class => [['item', 'site', 'op', 'workCentre']],
    ];

    /** Numbers of new lines of a structure go up by so much. */
    private const LINE_STEP = 10;

    /** @var list<string> properties that tell rows apart */
    private array $toldBy = [];

    /** @var array<string, object> the rows that stand, by what tells them apart */
    private array $known = [];

    /** @var array<string, int> the highest number of a line, by item */
    private array $lines = [];

    /** @param  array<string>  $mapped  properties that are brought */
    public function __construct(private readonly Declaration $declaration, array $mapped)
    {
        $this->toldBy = $this->declaration->file->key;
        foreach (self::TOLD_BY[$this->declaration->class] ?? [] as $properties) {
            $needed = array_filter($properties, fn (string $property) => $this->declaration->columns[$property]->mustBeFilled);
            if ($this->toldBy === [] && array_diff($needed, $mapped) === []) {
                $this->toldBy = $properties;
            }
        }
        $map = TableMap::of($this->declaration->class);
        foreach (NetworkReader::table($this->declaration->class)->cursor() as $stored) {
            $row = $map->object($stored);
            $values = get_object_vars($row);
            $this->known[$this->keyOf($values) ?? implode("\x1f", $this->declaration->identity($row))] = $row;
            if ($row instanceof BomLine && ctype_digit($row->line)) {
                $this->lines[$row->item] = max($this->lines[$row->item] ?? 0, (int) $row->line);
            }
        }
    }

    /** The row of that key; null where there is none. */
    public function of(?string $key): ?object
    {
        return $key === null ? null : $this->known[$key] ?? null;
    }

    /** Whether there is a row that says the same, where nothing tells rows apart but all they say. */
    public function holds(object $row): bool
    {
        return $this->toldBy === [] && isset($this->known[implode("\x1f", $this->declaration->identity($row))]);
    }

    /**
     * What tells a row from the others; null where only all of it does.
     *
     * @param  array<mixed>  $values  by property
     */
    public function keyOf(array $values): ?string
    {
        if ($this->toldBy === []) {
            return null;
        }
        $parts = [];
        foreach ($this->toldBy as $property) {
            $value = $values[$property] ?? $this->declaration->columns[$property]->defaultValue();
            $parts[] = $value === null ? '' : $this->declaration->columns[$property]->type()->write($value);
        }

        return implode("\x1f", $parts);
    }

    /** The number of one more line of a structure. */
    public function nextLine(string $item): string
    {
        $this->lines[$item] = ($this->lines[$item] ?? 0) + self::LINE_STEP;

        return (string) $this->lines[$item];
    }
}
