<p>x</p>
