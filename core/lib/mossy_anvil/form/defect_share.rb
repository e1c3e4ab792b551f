# frozen_string_literal: true

module MossyAnvil
  # What the form does to one defect: how much of it is turned away, how much is left to fill,
  # whether it shows, whether it goes through the wall.
  # The defect is cut into small lumps, each with its place and open volume.
  class DefectShare
    FILL_PROUD_MM = 2.0
    TOUCH_MM = 0.25
    BALL_STEPS = 12
    BALL_LINE = Array.new(BALL_STEPS) { |step| (((2 * step) + 1.0) / BALL_STEPS) - 1 }.freeze
    DEPTH_STEPS = 12
    PATH_STEPS = 64

    # Even points in a ball of radius 1, and which of BALL_LINE each has for its z.
    def self.ball
      @ball ||= Numo::DFloat.cast(ball_places.map { |place| place.map { |index| BALL_LINE[index] } })
    end

    def self.ball_levels
      @ball_levels ||= Numo::Int32.cast(ball_places.map(&:last))
    end

    def self.ball_places
      steps = (0...BALL_STEPS).to_a
      steps.product(steps, steps).select { |place| place.sum { |index| BALL_LINE[index]**2 } <= 1 }
    end
    private_class_method :ball_places

    def initialize(defect, blank)
      @defect = defect
      @shape = blank.shape
      @form = blank.form
      @hollow = !@form.nil? && @form.hollow?
      sample
      @within = @inside_wood * (@form ? kept(0.0) : 1)
    end

    # mm3 open before anything is turned: what is in the wood, not what lies outside it.
    def open_mm3 = occupied_mm3 * @open_share

    # mm3 it takes up in the wood, open or not.
    def occupied_mm3 = @occupied_mm3 ||= (@lumps * @inside_wood).sum

    # Share of it that the form turns away, 0 to 1; 0 without a form.
    def removed_share
      @removed_share ||= begin
        total = occupied_mm3
        total.zero? ? 1.0 : (1 - ((@lumps * @within).sum / total)).clamp(0.0, 1.0)
      end
    end

    # mm3 to fill, 0 where no opening reaches a finished surface: what the form leaves, and FILL_PROUD_MM beyond each finished surface to be turned back.
    def fill_mm3
      return 0.0 unless @defect.open? && reaches_surface?

      @fill_mm3 ||= (@lumps * @inside_wood * (@form ? kept(FILL_PROUD_MM) : 1)).sum * @open_share
    end

    def removed? = removed_share > 0.999

    # Is it gone already when the outside is turned and nothing is hollowed?
    def removed_outside?
      return removed? unless @hollow

      (@lumps * @inside_wood * kept(0.0, hollow: false)).sum <= 0.001 * occupied_mm3
    end

    # Does it open on a finished surface (on the blank as it stands, without a form)?
    def reaches_surface?
      @reaches_surface = surfaces? if @reaches_surface.nil?
      @reaches_surface
    end

    # Does one opening (bark counts: it falls out) reach both the hollow and the outside?
    def breaks_through?
      @breaks_through = @hollow && opening? && !removed? && beyond_outside? && inside_hollow? if @breaks_through.nil?
      @breaks_through
    end

    # mm of depth in the finished wood: from a face how much of the way in lies there, else how far under the outside it goes.
    def remaining_depth_mm
      return 0.0 if removed?
      return @within.reshape(@within.size / DEPTH_STEPS, DEPTH_STEPS).sum(axis: 1).max * @defect.depth_mm / DEPTH_STEPS if from_face?

      ((@outer - @radius) * @within).max
    end

    private

    def from_face? = @defect.path? && @defect.enters != "side"

    def surfaces?
      return false if removed?
      return @defect.path? || @inside_wood.lt(1).any? unless @form

      # Partly kept and partly turned away, it is cut by a finished surface.
      (@inside_wood - @within).gt(0).any? || opens_on_kept_skin?
    end

    def sample
      @defect.path? ? sample_path : sample_body
      @inside_wood = Numo::DFloat.cast(@radius.le(@surface + 1e-9)) * @z.ge(0) * @z.le(@shape.length_mm)
      @outer = @surface
      return unless @form

      @outer = Numo::DFloat.minimum(along(@form.outside), @surface)
      @inner = @hollow ? along(@form.inside) : Numo::DFloat.zeros(@z.size)
    end

    def sample_body
      unit = DefectShare.ball
      half = @defect.size_mm.map { |extent| extent / 2 }
      radial = (unit[true, 0] * half[0]) + @defect.radius_mm
      tangential = unit[true, 1] * half[1]
      @radius = Numo::DFloat::Math.hypot(radial, tangential)
      @levels = (Numo::DFloat.cast(BALL_LINE) * half[2]) + @defect.z_mm
      @level_of = DefectShare.ball_levels
      @z = @levels[@level_of]
      @surface = surface_over(radial, tangential)
      @lumps = Numo::DFloat.zeros(@z.size) + (@defect.volume_mm3 / @z.size)
      @open_share = @defect.open_share
    end

    # The blank's surface at every lump; on a blank that runs true there is no need to know its hour.
    def surface_over(radial, tangential)
      return (@z * 0) + @shape.max_radius_mm if @shape.centred?

      @shape.radius_mm((Numo::DFloat::Math.atan2(tangential, radial) / Clock::RADIANS) + @defect.clock_deg, @z)
    end

    # A profile at every lump: worked out once for each z there is, then spread.
    def along(profile) = profile.radii_mm(@levels)[@level_of]

    # Wedge: full mouth at the surface, nothing at the tip; parallel where it goes through.
    def sample_path
      samples = @defect.samples(@shape, count: PATH_STEPS)
      share = ((Numo::DFloat.new(1, DEPTH_STEPS).seq + 0.5) / DEPTH_STEPS) + Numo::DFloat.zeros(samples.size, 1)
      depth = share * @defect.depth_mm
      column = ->(name) { samples[name].reshape(samples.size, 1) + (share * 0) }
      inward = { "side" => 0, "head_face" => 1, "tail_face" => -1 }.fetch(@defect.enters)
      @radius = (inward.zero? ? column.call(:radius_mm) - depth : column.call(:radius_mm)).flatten
      level_the(samples, inward)
      @z = @levels[@level_of]
      @surface = @shape.radius_mm(column.call(:clock_deg).flatten, @z) * 1.0
      mouth = @defect.through? || !@defect.crack? ? share * 0 + 1 : share * -1 + 1
      @lumps = (column.call(:length_mm) * mouth * @defect.width_mm * (@defect.depth_mm / DEPTH_STEPS)).flatten
      @radius = Numo::DFloat.maximum(@radius, 0)
      @open_share = @defect.open? ? 1.0 : 0.0
    end

    # On the side every sample has a z of its own; on a face every step of depth.
    def level_the(samples, inward)
      row = Numo::Int32.new(samples.size, DEPTH_STEPS).seq
      if inward.zero?
        @levels = samples.z_mm
        @level_of = (row / DEPTH_STEPS).flatten
      else
        @levels = ((Numo::DFloat.new(DEPTH_STEPS).seq + 0.5) * (inward * @defect.depth_mm / DEPTH_STEPS)) + samples.z_mm[0]
        @level_of = (row % DEPTH_STEPS).flatten
      end
    end

    # 1 where a lump lies in the finished wood grown by `proud` mm on every surface, else 0.
    def kept(proud, hollow: @hollow)
      low, high = @form.z_span_mm
      wood = Numo::DFloat.cast(@radius.le(@outer + proud)) * @z.ge(low - proud) * @z.le(high + proud)
      return wood unless hollow

      in_wall = @radius.ge(@inner - proud)
      past_floor = @form.opens == "tail" ? @z.le(@form.floor_z_mm + proud) : @z.ge(@form.floor_z_mm - proud)
      wood * Numo::DFloat.cast(in_wall | past_floor)
    end

    def beyond_outside?
      low, high = @form.z_span_mm
      closed_end = @form.opens == "tail" ? @z.lt(low + TOUCH_MM) : @z.gt(high - TOUCH_MM)
      in_span = @z.ge(low) & @z.le(high)
      past_skin = @radius.gt(@outer - TOUCH_MM - depth_step_mm) & in_span
      past_skin.any? || closed_end.any?
    end

    def inside_hollow?
      past_floor = @form.opens == "tail" ? @z.gt(@form.floor_z_mm) : @z.lt(@form.floor_z_mm)
      low, high = @form.z_span_mm
      within = @radius.lt(@inner) & past_floor & @z.ge(low) & @z.le(high)
      within.any?
    end

    # The first lump of a crack lies half a step under the surface.
    def depth_step_mm = @defect.path? ? @defect.depth_mm / DEPTH_STEPS / 2 : 0.0

    # Does it open on the wood's own surface, where the form leaves that surface as it is?
    def opens_on_kept_skin?
      pokes_out = @defect.path? || @inside_wood.lt(1).any?
      grain_mm = @defect.path? ? 2 * depth_step_mm : @defect.size_mm.max / BALL_STEPS
      at_skin = @within.gt(0) & @outer.ge(@surface - TOUCH_MM) & @radius.ge(@surface - grain_mm)
      pokes_out && at_skin.any?
    end

    # Bark counts as an opening: it falls out.
    def opening? = @defect.open? || @defect.type == "bark_inclusion"
  end
end
