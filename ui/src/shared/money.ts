const two = new Intl.NumberFormat('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 })

/** With two decimals and thousands apart. */
export const amountText = (amount: number) => two.format(amount).replace('-', '−')

export const moneyText = (amount: number, currency: string) => `${currency} ${amountText(amount)}`

const whole = new Intl.NumberFormat('en-US', { maximumFractionDigits: 0 })

/** Where cents say nothing. */
export const wholeMoneyText = (amount: number, currency: string) => `${currency} ${whole.format(amount)}`

const M_PER_FT = 0.3048
export const KM_PER_MI = 1.609344

/** A way on the road. */
export const wayText = (km: number, units: 'METRIC' | 'FT_IN') =>
  units === 'METRIC' ? `${km.toFixed(0)} km` : `${(km / KM_PER_MI).toFixed(0)} miles`

/** An amount a meter, told for the length the job is measured in. */
export const perLengthText = (perM: number, currency: string, units: 'METRIC' | 'FT_IN') =>
  units === 'METRIC'
    ? `${moneyText(perM, currency)} a metre`
    : `${moneyText(perM * M_PER_FT, currency)} a foot`

/** What somebody typed as an amount; null when it is none. */
export function parseAmount(text: string): number | null {
  const plain = text.trim().replace(/[\s,]/g, '')
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null
}
