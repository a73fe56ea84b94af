<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('plan_demands', function (Blueprint $table): void {
            $table->index(['run_id', 'hold_up_supply', 'late_days']);
        });
        Schema::table('plan_messages', function (Blueprint $table): void {
            $table->index(['run_id', 'identity']);
        });
    }

    public function down(): void
    {
        Schema::table('plan_demands', function (Blueprint $table): void {
            $table->dropIndex(['run_id', 'hold_up_supply', 'late_days']);
        });
        Schema::table('plan_messages', function (Blueprint $table): void {
            $table->dropIndex(['run_id', 'identity']);
        });
    }
};
