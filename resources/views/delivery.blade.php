@extends('paper')

@section('title'){{ trans('Delivery note :number', ['number' => $note->number]) }}@endsection

@section('style'){!! '@page { margin: 18mm 16mm 20mm 20mm; } h1 { margin: 22px 0 4px; }' !!}@endsection

@section('body')
    @foreach ($note->customers as $customer => $lines)
        <div class="{{ $loop->first ? '' : 'next' }}">
            <div class="label">{{ trans('From') }}</div>
            @foreach ($note->company as $line)
                <div class="{{ $loop->first ? 'b' : '' }}">{{ $line }}</div>
            @endforeach
            <div class="label" style="margin-top: 10px">{{ trans('To') }}</div>
            <div class="b">{{ $customer }}</div>
            <h1>{{ trans('Delivery note :number', ['number' => $note->number]) }}</h1>
            <p class="m">{{ App\Support\Words::day(Yposta\Core\Calendar\Day::parse($note->day), $planDate) }} {{ substr($note->day, 0, 4) }}</p>
            <table class="lines">
                <thead>
                    <tr><th>{{ trans('Your order') }}</th><th>{{ trans('Item') }}</th><th class="r">{{ trans('Delivered') }}</th><th class="r">{{ trans('Still to come') }}</th></tr>
                </thead>
                <tbody>
                    @foreach ($lines as $line)
                        <tr>
                            <td class="b">{{ $line->line }}</td>
                            <td>{{ $line->name }}<div class="m">{{ $line->item }}</div></td>
                            <td class="r b">{{ App\Support\Words::quantity($line->qty, $line->unit) }}</td>
                            <td class="r">{{ $line->left > 0 ? App\Support\Words::quantity($line->left, $line->unit) : '' }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
    @endforeach
@endsection
