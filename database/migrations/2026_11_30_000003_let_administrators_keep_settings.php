<?php

declare(strict_types=1);

use App\Support\Roles;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The right to keep people and settings. */
return new class extends Migration
{
    public function up(): void
    {
        DB::table('roles')->exists() && Roles::install();
    }

    public function down(): void
    {
        DB::table('permissions')->where('name', Roles::SETTINGS)->delete();
    }
};
