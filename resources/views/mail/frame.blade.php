<!doctype html>
<html lang="{{ $say->language->tag }}" dir="{{ $say->language->isRightToLeft() ? 'rtl' : 'ltr' }}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<meta name="supported-color-schemes" content="light dark">
<title>{{ $meeting->title }}</title>
<style>
:root{color-scheme:light dark}
@media (prefers-color-scheme:dark){
.page{background:#10161d!important;color:#e9edf1!important}
.paper{background:#17202b!important;color:#e9edf1!important}
.paper a{color:#e9edf1!important}
.paper .soft{color:#b3bdc7!important}
.paper .off{color:#ff9d8a!important}
.paper .bar{border-color:#e9edf1!important}
.paper .line{border-color:#3a4653!important}
.paper .box{background:#22303f!important}
.paper a.press{background:#e9edf1!important;color:#17202b!important}
}
</style>
</head>
<body class="page" style="margin:0;padding:0;background:#f3f4f0;color:#17202b;font-family:Archivo,'Segoe UI',Roboto,'Helvetica Neue',Arial,sans-serif;font-size:15px;line-height:1.45">
<div class="paper" dir="{{ $say->language->isRightToLeft() ? 'rtl' : 'ltr' }}" style="max-width:640px;margin:0 auto;background:#ffffff;padding:24px">
@yield('body')
<p class="soft line" style="margin:24px 0 0;padding-top:12px;border-top:1px solid #d6d9d2;color:#55606c;font-size:13px">{{ $footer }}</p>
</div>
</body>
</html>
