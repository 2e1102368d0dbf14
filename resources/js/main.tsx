document.title='x';
