<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A column of master data, as one fills it in. */
final readonly class DataField
{
    /**
     * @param  string  $name  of the property
     * @param  'code'|'text'|'row'|'decimal'|'whole'|'flag'|'choice'|'day'|'instant'|'clock'|'weekdays'  $type
     * @param  list<LabelledValue>  $choices  the label of each value
     * @param  string|null  $of  the kind whose rows it names
     * @param  bool  $isKey  whether it tells a row from the others
     * @param  string  $usual  what an empty field stands for, as it is typed
     */
    public function __construct(
        public string $name,
        public string $label,
        public string $type,
        public array $choices,
        public ?string $of,
        public bool $isNeeded,
        public bool $isKey,
        public string $usual,
    ) {
    }
}
