<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The data that the newest live plans were made of, so that one can ask why a plan is another than the one before. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('run_inputs', function (Blueprint $table): void {
            $table->foreignId('run_id')->primary()->constrained()->cascadeOnDelete();
            $table->longText('network');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('run_inputs');
    }
};
