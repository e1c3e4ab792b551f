# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What the cut and the piece itself load a mount with: the cutting force and its overhang, N and mm; the piece's
    # mass, g, its imbalance, g mm, and how far its centre of mass is from the seat, mm; the speed it is turned at.
    MountLoad =
      Struct.new(:force_n, :overhang_mm, :mass_g, :imbalance_g_mm, :centre_mm, :rpm, keyword_init: true) do
        # Moment on the seat, N m: the cutting force at its overhang, the imbalance's force and the weight at the centre
        # of mass.
        # tailstock: with it up.
        def nm(tailstock: false)
          spin = rpm / Mechanics::RPM
          own_n = (imbalance_g_mm * 1e-6 * (spin**2)) + (mass_g / 1000.0 * MountHold::GRAVITY)
          whole = ((force_n * overhang_mm) + (own_n * centre_mm)) * MountHold::NM
          tailstock ? whole * tailstock_share : whole
        end

        # rpm up to which a seat bears it, whatever its own speed; nil where nothing of it grows with speed, 0 where the
        # seat does not bear the cut and the weight alone. hold_nm: what the seat bears, reserve taken off.
        def borne_to_rpm(hold_nm, tailstock: false)
          share = tailstock ? tailstock_share : 1.0
          still = (force_n * overhang_mm) + (mass_g / 1000.0 * MountHold::GRAVITY * centre_mm)
          left_nm = (hold_nm / share) - (still * MountHold::NM)
          return 0.0 if left_nm.negative?

          per_spin = imbalance_g_mm * 1e-6 * centre_mm * MountHold::NM
          per_spin.zero? ? nil : Math.sqrt(left_nm / per_spin) * Mechanics::RPM
        end

        # N of cutting force it bears at a lever of its own, beside weight and imbalance, with the margin of the mount.
        def bears_n(hold_nm, lever_mm:, tailstock: false)
          margins = Table["mounts"]["margins"]
          whole = hold_nm / (tailstock ? tailstock_share * margins["least"] : margins["free"])
          own = MountLoad.new(**to_h, force_n: 0.0).nm
          [(whole - own) / (MountHold::NM * [lever_mm, 1.0].max), 0.0].max
        end

        private

        def tailstock_share = Table["mounts"]["loads"]["with_tailstock"]
      end
  end
end
