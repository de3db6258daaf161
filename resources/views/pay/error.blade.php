@isset($errors[$name])<span class="error" id="pe-{{ $name }}">{{ $errors[$name] }}</span>@endisset
