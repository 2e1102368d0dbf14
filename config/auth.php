<?php

declare(strict_types=1);

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'accounts'],
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'accounts']],
    'providers' => ['accounts' => ['driver' => 'eloquent', 'model' => App\People\Account::class]],
    'passwords' => [],
];
