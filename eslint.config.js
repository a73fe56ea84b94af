import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
    { ignores: ['public', 'vendor', 'node_modules', 'storage'] },
    js.configs.recommended,
    ...ts.configs.strict,
    hooks.configs.flat['recommended-latest'],
    {
        linterOptions: { reportUnusedDisableDirectives: 'error' },
        rules: {
            '@typescript-eslint/no-explicit-any': 'error',
            '@typescript-eslint/consistent-type-imports': 'error',
        },
    },
    {
        files: ['resources/js/**'],
        rules: {
            'no-restricted-syntax': [
                'error',
                {
                    selector: 'TemplateLiteral > TemplateElement:first-child[value.raw=/^(order|sales|stock|proposal|forecast|part|out|safety|new):/]',
                    message: 'A reference is made by the server and sent with the row.',
                },
                { selector: 'JSXText[value=/[A-Za-z]{2}/][value!=/^\\s*Yposta\\s*$/]', message: 'What people read is said with t().' },
                {
                    selector: 'JSXAttribute[name.name=/^(aria-label|title|placeholder|alt|label)$/] > Literal[value=/[A-Za-z]{2}/]',
                    message: 'What people read is said with t().',
                },
            ],
        },
    },
);
