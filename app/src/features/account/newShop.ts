/** Where a code for one more shop is entered, whether someone is signed in or not. */
export const NEW_SHOP = '/new-shop';
