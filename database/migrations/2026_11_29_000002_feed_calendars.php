<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The secret address under which a person's calendar reads due dates; only its digest is kept. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->string('calendar_digest', 64)->nullable()->unique();
            $table->timestamp('calendar_made_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->dropUnique(['calendar_digest']);
            $table->dropColumn(['calendar_digest', 'calendar_made_at']);
        });
    }
};
