<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head>
    <meta charset="utf-8">
    <title>{{ trans('Delivery note :number', ['number' => $note->number]) }}</title>
    <style>
        @page { margin: 18mm 16mm 20mm 20mm; }
        body { font: 10px 'DejaVu Sans', sans-serif; color: #1c2521; }
        h1 { font-size: 18px; margin: 22px 0 4px; }
        table { width: 100%; border-collapse: collapse; }
        th { text-align: left; border-bottom: 1px solid #1c2521; padding: 4px 6px 4px 0; color: #5b675f; font-weight: normal; }
        td { border-bottom: 1px solid #ddd6c8; padding: 6px 6px 6px 0; vertical-align: top; }
        .r, th.r { text-align: right; white-space: nowrap; }
        .b { font-weight: bold; }
        .m { color: #5b675f; }
        .label { color: #5b675f; font-size: 9px; }
        tr { page-break-inside: avoid; }
        .next { page-break-before: always; }
    </style>
</head>
<body>
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
            <table>
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
</body>
</html>
