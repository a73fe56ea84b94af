<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Somebody who signs in, or did. */
final readonly class PersonRow
{
    /**
     * @param  string|null  $retiredAt  ISO date since which they do not any more
     * @param  string|null  $seenAt  ISO date and time of what they did last; null where they are not signed in
     * @param  bool  $isOneself  whether it is who looks
     */
    public function __construct(
        public string $email,
        public string $name,
        public string $role,
        public ?string $retiredAt,
        public ?string $seenAt,
        public bool $isOneself,
    ) {
    }
}
