<?php

declare(strict_types=1);

namespace App\Outgoing;

/** A file that goes with a letter. */
final readonly class LetterFile
{
    public function __construct(public string $name, public string $type, public string $content)
    {
    }

    /** @param  array<string, string>  $kept */
    public static function ofKept(array $kept): self
    {
        return new self($kept['name'] ?? '', $kept['type'] ?? '', (string) base64_decode($kept['content'] ?? '', true));
    }

    /** @return array<string, string> */
    public function kept(): array
    {
        return ['name' => $this->name, 'type' => $this->type, 'content' => base64_encode($this->content)];
    }
}
