<?php

declare(strict_types=1);

namespace App\Reading\Pages;

/** The question that "When is it complete?" starts from; the answer is planned after the page has come. */
final readonly class CompletePage extends Page
{
    public function __construct(
        public string $subject,
        public string $qty,
        public string $due,
    ) {
    }
}
