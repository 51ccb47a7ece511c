/** Whether something stands on the deck: what is the vehicle's own stands with the vehicle. */
export const isAboard = (x: { readonly vehicle?: boolean | undefined }): boolean => !x.vehicle;
