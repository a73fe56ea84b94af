<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;

/** A document, to be looked at in the browser or kept under a name of its own. */
final class PaperResponse
{
    /** @param  string  $name  of the file; signs that no file should have become dashes */
    public static function of(string $content, string $name, string $type = 'application/pdf'): Response
    {
        return response($content, 200, [
            'Content-Type' => $type, 'Content-Disposition' => 'inline; filename="'.preg_replace('/[^A-Za-z0-9.-]+/', '-', $name).'"',
        ]);
    }
}
