# frozen_string_literal: true

module MossyAnvil
  module Model
    # The shape of a blank file from the few measures a person takes of a lump in the hand.
    # Log and cap become outlines: a log tapers in a straight line, a cap is the part of a ball that its width and
    # height make.
    module Lump
      # Sizes each kind is made of, mm.
      SIZES = {
        "disc" => %i[diameter_mm length_mm],
        "block" => %i[width_mm height_mm length_mm],
        "log" => %i[head_diameter_mm tail_diameter_mm length_mm],
        "cap" => %i[diameter_mm height_mm],
        "outline" => %i[stations]
      }.freeze
      STEPS = 24
      # Heights of a cap's stations, as shares; closer where it curves most. Its top is left a twentieth wide, so that
      # it has a face to end on.
      CAP_HEIGHTS = [0.0, 0.2, 0.38, 0.54, 0.68, 0.8, 0.89, 0.95, 0.985, 1.0].freeze
      CAP_TOP_SHARE = 0.05

      module_function

      # lump: { type:, ... } symbol-keyed. Returns the shape as in a blank file, string-keyed; raises InvalidInput under
      # `at` where a size is missing or astray.
      def shape(lump, at: "/lump")
        kind = lump[:type]
        check_sizes(kind, lump.keys - [:type], at)
        shape = { "log" => method(:log), "cap" => method(:cap) }.fetch(kind, method(:plain)).call(lump)
        JSON.parse(JSON.generate(shape))
      end

      def check_sizes(kind, given, at)
        wanted = SIZES.fetch(kind)
        missing = (wanted - given).map { |size| [size, Fault.t("is_missing")] }
        unknown = (given - wanted).map { |size| [size, Fault.t("is_no_size_of_such_a", type: kind)] }
        allowed = Fault.t("such_a_shape_needs", type: kind, needs: wanted.join(", "))
        faults =
          (missing + unknown).map do |size, problem|
            Fault.new(path: "#{at}/#{size}", problem: problem, allowed: allowed)
          end
        raise InvalidInput, faults if faults.any?
      end

      def plain(lump) = lump

      def log(lump)
        outline([0.0, lump[:length_mm]], [lump[:head_diameter_mm] / 2.0, lump[:tail_diameter_mm] / 2.0])
      end

      # Base at the head. Radius of the ball: (a2 + h2) / 2h, a half the width, h the height.
      def cap(lump)
        half, height = lump[:diameter_mm] / 2.0, lump[:height_mm].to_f
        ball = ((half**2) + (height**2)) / (2 * height)
        heights = CAP_HEIGHTS.map { |share| share * height }
        radii = heights.map { |z_mm| Math.sqrt([(ball**2) - ((z_mm + ball - height)**2), 0].max) }
        outline(heights, radii.map { |radius| [radius, half * CAP_TOP_SHARE].max })
      end

      def outline(heights, radii)
        {
          type: "outline",
          stations: heights.zip(radii).map { |z_mm, radius| { z_mm: z_mm, radii_mm: [radius] * STEPS } }
        }
      end
      private_class_method :plain, :log, :cap, :outline
    end
  end
end
