/** What the cases of bleeding have in common: fluid, lines and a nipple by the names of the cases. */
import type { FlowLine, FlowNipple } from '../../bleeding/flow.ts';
import { entries, figure } from '../adapter.ts';
import type { Fields } from '../case.ts';

/** What a case leaves out, as the others have it; from memory. */
export const fluidOf = (inputs: Fields) => ({
  density_kg_m3: figure(inputs, 'density_kg_m3', 1050),
  viscosity_Pa_s: figure(inputs, 'viscosity_Pas', 0.0157),
});

export const atmosphere = (inputs: Fields) => figure(inputs, 'atmosphere_Pa', 101_325);

export const linesOf = (inputs: Fields, name = 'segments'): readonly FlowLine[] =>
  entries(inputs, name).map((one) => ({ bore_m: figure(one, 'bore_m'), length_m: figure(one, 'length_m') }));

export const nippleOf = (inputs: Fields): FlowNipple => ({
  bore_m: figure(inputs, 'nipple_bore_m'),
  length_m: figure(inputs, 'nipple_length_m'),
  discharge: figure(inputs, 'nipple_discharge_coefficient'),
});
