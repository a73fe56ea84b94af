<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Runs kept by name, one of them begun by itself each day; what each run was asked for; families of items to ask for. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('kept_runs', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->text('wishes');
            $table->string('daily_at', 5)->nullable();
            $table->boolean('agreed')->default(false);
            $table->date('last_day')->nullable();
            $table->text('trouble')->nullable();
            $table->foreignId('user_id')->constrained();
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });
        Schema::table('runs', function (Blueprint $table): void {
            $table->text('wishes')->nullable();
            $table->string('kept_run', 80)->nullable();
        });
        Schema::table('items', function (Blueprint $table): void {
            $table->string('family')->default('');
        });
    }

    public function down(): void
    {
        Schema::table('items', fn (Blueprint $table) => $table->dropColumn('family'));
        Schema::table('runs', fn (Blueprint $table) => $table->dropColumn(['wishes', 'kept_run']));
        Schema::dropIfExists('kept_runs');
    }
};
