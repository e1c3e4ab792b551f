# frozen_string_literal: true

module MossyAnvil
  module Turn
    # A stretch of a cut in which an edge meets the same: what is taken there, what lies in it, and what bears it.
    #
    # kind: what rules it, the first that is so of KINDS. from_mm, to_mm: its heights. depth_mm: the most that is taken
    # off in radius. largest_mm: radius the edge is out at. overhang_mm: of the edge past the rest. wall_mm, wall_n: the
    # thinnest finished wall in it and the side force that bears, mount_n: the force the mount bears there; nil where
    # there is none, or it bears any. undercut_mm: how far it lies behind the rim; down_mm: how deep from
    # it, inside. finished: is what is left the surface
    # of the finished piece? swath: [{ z_mm:, from_mm:, to_mm: }, ...], the surface before and after.
    CutRegion =
      Struct.new(
        :side,
        :kind,
        :from_mm,
        :to_mm,
        :volume_ml,
        :area_cm2,
        :air_share,
        :shares,
        :ids,
        :depth_mm,
        :largest_mm,
        :overhang_mm,
        :wall_mm,
        :wall_n,
        :mount_n,
        :undercut_mm,
        :down_mm,
        :finished,
        :swath,
        keyword_init: true
      )
  end
end
