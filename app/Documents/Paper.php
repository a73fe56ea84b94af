<?php

declare(strict_types=1);

namespace App\Documents;

use Dompdf\Dompdf;

/** What is printed: a view as a PDF that fetches nothing from elsewhere. */
final class Paper
{
    /**
     * @param  view-string  $view
     * @param  array<string, mixed>  $values
     */
    public static function of(string $view, array $values, string $orientation = 'portrait'): string
    {
        $paper = new Dompdf(['isRemoteEnabled' => false, 'isPhpEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'isFontSubsettingEnabled' => true]);
        $paper->loadHtml(view($view, $values)->render());
        $paper->setPaper('A4', $orientation);
        $paper->render();

        return (string) $paper->output();
    }
}
