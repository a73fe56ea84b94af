<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Points in trouble are counted on every page; a point carries its rules, so that going through all of them is slow. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('plan_points', function (Blueprint $table): void {
            $table->index(['run_id', 'trouble_from']);
            $table->index(['run_id', 'short_from']);
            $table->index(['run_id', 'site_code']);
        });
    }

    public function down(): void
    {
        Schema::table('plan_points', function (Blueprint $table): void {
            $table->dropIndex(['run_id', 'trouble_from']);
            $table->dropIndex(['run_id', 'short_from']);
            $table->dropIndex(['run_id', 'site_code']);
        });
    }
};
