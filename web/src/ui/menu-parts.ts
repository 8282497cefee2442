export { DropdownMenu } from 'radix-ui';
