# frozen_string_literal: true

module MossyAnvil
  # Which open cracks and bark seams run into each other in the wood, and where.
  class Meetings
    TOUCH_MM = 0.5
    Meeting = Struct.new(:ids, :clock_deg, :radius_mm, :z_mm, keyword_init: true)

    # Cracks already glued do not count.
    def self.open_seams(blank)
      blank.defects.select { |defect| defect.path? && !defect.mended? }.map { |path| Seam.new(path, blank.shape) }
    end

    def initialize(blank)
      @shape = blank.shape
      @seams = Meetings.open_seams(blank)
    end

    # List of Meeting, in the order of the survey.
    def all = @all ||= @seams.combination(2).filter_map { |one, other| near?(one, other) && meeting(one, other) }

    private

    # Do their boxes come close enough to look closer?
    def near?(one, other)
      reach = TOUCH_MM + [one.spacing_mm, other.spacing_mm].max
      one.bounds_mm.zip(other.bounds_mm).all? { |(low, high), (from, to)| low - reach <= to && from - reach <= high }
    end

    # A sheet passes through another where one of its places lies within half its own spacing of it.
    # Only what is in the wood counts: beyond the axis of a deep crack there is none of it.
    def meeting(one, other)
      [[one, other], [other, one]].filter_map do |seam, sheet|
        distances = sheet.distances_mm(*seam.places)
        nearest = distances.min_index
        [distances[nearest], seam, nearest] if distances[nearest] <= TOUCH_MM + (seam.spacing_mm / 2)
      end.min_by(&:first)&.then { |_, seam, place| at(seam, place, [one, other]) }
    end

    def at(seam, place, pair)
      clock, radius, z = seam.places
      Meeting.new(ids: pair.map { |own| own.path.id }, clock_deg: clock[place], radius_mm: radius[place], z_mm: z[place])
    end
  end
end
