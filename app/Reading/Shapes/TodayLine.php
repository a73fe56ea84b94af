<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Something that needs the planner. `icon` names what it is; `tone` is broken, look or calm. */
final readonly class TodayLine
{
    public function __construct(
        public string $icon,
        public Tone $tone,
        public string $title,
        public string $emphasis,
        public string $note,
        public ?Strip $strip,
        public Link $action,
    ) {
    }
}
