# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # Amounts as they are read, by the table that the screen reads too: core/data/units.yml.
      module Amounts
        UNITS = YAML.safe_load_file(File.join(DATA_DIR, "units.yml"))["metric"].freeze

        module_function

        # "420 rpm", "2 o'clock". value: a number, or nil where there is none.
        def text(value, unit)
          return Catalogue.t("units.none") if value.nil?

          case unit
          when "clock"
            clock(value)
          when "plane"
            Catalogue.t("units.plane", from: hour(value), to: hour(value + 180))
          when "money"
            format("%.2f", value)
          else
            by_table(value, unit)
          end
        end

        # A number with no more than so many digits after its point, thousands apart.
        def number(value, digits)
          whole, part = format("%.#{digits}f", value.round(digits, half: :up).abs).split(".")
          part = part.to_s.sub(/0+\z/, "")
          sign = value.negative? && (whole != "0" || !part.empty?) ? "-" : ""
          "#{sign}#{whole.gsub(/(?<=\d)(?=(\d{3})+\z)/, ",")}#{".#{part}" unless part.empty?}"
        end

        def by_table(value, unit)
          rows = UNITS[unit] or return [number(value, 3), unit].reject(&:empty?).join(" ")
          row = rows.find { |one| one["below"].nil? || value.abs < one["below"] }
          return by_table(value * row["times"], row["like"]) if row["like"]

          tiny = row["tiny"]
          return Catalogue.t("units.under", amount: by_table(tiny, unit)) if tiny && !value.zero?

          counted(value * (row["times"] || 1), row)
        end

        def counted(value, row)
          rounded = rounded(value, row)
          Catalogue.t("units.#{row["text"]}", n: number(rounded, row["digits"]), count: rounded)
        end

        def rounded(value, row)
          value = value.to_i / row["down_to"] * row["down_to"] if row["down_to"]
          value.to_f.round(row["digits"], half: :up)
        end

        def clock(clock_deg)
          halves = ((clock_deg % 360) / 15.0).round % 24
          hour = halves / 2
          hour = 12 if hour.zero?
          Catalogue.t(halves.even? ? "units.oclock" : "units.half_past", hour: hour)
        end

        def hour(clock_deg) = (((clock_deg % 360) / 30.0).round % 12).then { |hour| hour.zero? ? 12 : hour }
        private_class_method :by_table, :counted, :rounded, :clock, :hour
      end
    end
  end
end
