<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $meeting->title }}</title>
</head>
<body style="margin:0;padding:0;background:#f3f4f0;color:#17202b;font-family:Archivo,'Segoe UI',Roboto,'Helvetica Neue',Arial,sans-serif;font-size:15px;line-height:1.45">
<div style="max-width:640px;margin:0 auto;background:#ffffff;padding:24px">
@yield('body')
<p style="margin:24px 0 0;padding-top:12px;border-top:1px solid #d6d9d2;color:#55606c;font-size:13px">{{ $footer }}</p>
</div>
</body>
</html>
