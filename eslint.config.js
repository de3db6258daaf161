import js from '@eslint/js';
import globals from 'globals';
import vue from 'eslint-plugin-vue';
import ts from 'typescript-eslint';

export default ts.config(
    { ignores: ['public/**', 'vendor/**', 'node_modules/**', 'storage/**'] },
    js.configs.recommended,
    ...ts.configs.strict,
    ...vue.configs['flat/recommended'],
    {
        files: ['**/*.vue', '**/*.ts'],
        languageOptions: { globals: globals.browser, parserOptions: { parser: ts.parser, extraFileExtensions: ['.vue'] } },
        rules: {
            eqeqeq: 'error',
            'no-undef': 'off', // the type checker knows better
            '@typescript-eslint/no-non-null-assertion': 'off',
            'vue/multi-word-component-names': 'error',
            'vue/no-v-html': 'error',
            'vue/require-default-prop': 'off',
            // Prettier lays the code out.
            'vue/max-attributes-per-line': 'off',
            'vue/singleline-html-element-content-newline': 'off',
            'vue/html-indent': 'off',
            'vue/html-self-closing': 'off',
            'vue/html-closing-bracket-newline': 'off',
            'vue/multiline-html-element-content-newline': 'off',
            'vue/first-attribute-linebreak': 'off',
        },
    },
);
