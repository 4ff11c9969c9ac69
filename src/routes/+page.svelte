<h1>hi</h1>
