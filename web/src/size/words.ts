export const FINENESS = {
  FINE: 'Fine, even close up.',
  GOOD: 'Good: no pixel shows at arm’s length.',
  FAIR: 'Just enough: fine detail looks a little soft close up.',
  POOR: 'Too few pixels for this distance: edges look soft or stepped.',
}
