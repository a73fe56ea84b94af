<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A letter that left the house, or is to. */
final readonly class LetterRow
{
    /** @param  list<Link>  $files */
    public function __construct(
        public int $id,
        public string $kind,
        public string $supplier,
        public ?Link $order,
        public string $recipient,
        public string $subject,
        public string $body,
        public string $state,
        public string $error,
        public int $tries,
        public string $by,
        public string $at,
        public array $files,
    ) {
    }
}
