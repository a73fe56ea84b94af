<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ExportBundle;
use App\Support\Roles;
use App\Support\Settings;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The live data as a bundle; for those who plan with it. */
final class BundleController extends Controller
{
    public function __invoke(Request $request, ExportBundle $export): BinaryFileResponse
    {
        abort_unless($this->user($request)->can(Roles::STUDY), 403);
        $path = sys_get_temp_dir().'/bundle-'.bin2hex(random_bytes(8)).'.zip';
        $export($path);

        return response()->download($path, 'bundle-'.Settings::planDate().'.zip')->deleteFileAfterSend();
    }
}
