<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head>
    <meta charset="utf-8">
    <title>@yield('title')</title>
    <style>
        @page { margin: 14mm 14mm 16mm; }
        body { font: 10.5px 'DejaVu Sans', sans-serif; color: #1c2521; }
        h1 { font-size: 18px; margin: 0 0 2px; }
        p { margin: 0 0 10px; color: #5b675f; }
        table { width: 100%; border-collapse: collapse; }
        .head td { vertical-align: top; padding: 0 0 10px; }
        .lines th { text-align: left; border-bottom: 1px solid #1c2521; padding: 4px 6px 4px 0; color: #5b675f; font-weight: normal; }
        .lines td { border-bottom: 1px solid #ddd6c8; padding: 6px 6px 6px 0; vertical-align: top; }
        .lines .r, .r { text-align: right; white-space: nowrap; padding-left: 8px; }
        .b { font-weight: bold; }
        .m { color: #5b675f; }
        .label { color: #5b675f; font-size: 9px; }
        .box { border: 1px solid #1c2521; width: 16px; height: 16px; }
        .next { page-break-before: always; }
        tr { page-break-inside: avoid; }
        thead { display: table-header-group; }
        @yield('style')
    </style>
</head>
<body>
@yield('body')
</body>
</html>
