<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<meta name="style-nonce" content="{{ Illuminate\Support\Facades\Vite::cspNonce() }}">
<title>Syndex</title>
<link rel="icon" href="/icon.svg" type="image/svg+xml">
@vite(['resources/js/main.tsx'])
</head>
<body>
<div id="app"></div>
<noscript>Syndex needs scripts to draw the board. Invitations and calendar files work without.</noscript>
</body>
</html>
