import { handle } from '@/app/handle';
import { customerAddressSchema, saveCustomerAddress } from '@/service/shop/customer-address';

/** Confirms the address under which customers reach the shop. */
export const PUT = handle('shop.settings', customerAddressSchema, saveCustomerAddress);
