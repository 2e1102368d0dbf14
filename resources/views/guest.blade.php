<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<meta name="robots" content="noindex, nofollow">
<title>Syndex</title>
<link rel="icon" href="/icon.svg" type="image/svg+xml">
@vite(['resources/js/guest.tsx'])
</head>
<body>
<div id="app"></div>
<noscript>This page needs scripts. Without them, write to whoever asked you.</noscript>
</body>
</html>
