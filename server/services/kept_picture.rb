# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # The bytes of a JPEG as Picture has made it, and how many dots it has across and down.
      KeptPicture = Struct.new(:bytes, :width_px, :height_px) { def sha256 = Digest::SHA256.hexdigest(bytes) }
    end
  end
end
