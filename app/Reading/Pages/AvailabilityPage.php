<?php

declare(strict_types=1);

namespace App\Reading\Pages;

/** The question that availability starts from; the answer is planned after the page has come. */
final readonly class AvailabilityPage extends Page
{
    public function __construct(
        public string $subject,
        public string $qty,
        public string $due,
    ) {
    }
}
