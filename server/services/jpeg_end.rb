# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Where a JPEG ends: whatever follows its end marker is no part of the picture, however it got there.
      # Source: ITU-T T.81, B.1 and B.2: segments with their lengths up to a scan, then coded data up to the next marker
      # that is neither stuffed nor a restart.
      module JpegEnd
        START, SCAN, ENDING = 0xD8, 0xDA, 0xD9
        # Markers that stand alone, without a length.
        ALONE = [0x01, *0xD0..0xD8].freeze

        module_function

        # Bytes up to and with the end marker; nil where there is none.
        def of(bytes)
          at = 2
          while at < bytes.bytesize
            return unless bytes.getbyte(at) == 0xFF

            marker = bytes.getbyte(at + 1) or return
            return at + 2 if marker == ENDING

            at = after(bytes, at, marker) or return
          end
        end

        # Where the next marker stands.
        def after(bytes, at, marker)
          return at + 1 if marker == 0xFF
          return at + 2 if ALONE.include?(marker)

          length = bytes.byteslice(at + 2, 2)&.unpack1("n") or return
          marker == SCAN ? bytes.index(/\xFF[^\x00\xD0-\xD7\xFF]/n, at + 2 + length) : at + 2 + length
        end
        private_class_method :after
      end
    end
  end
end
