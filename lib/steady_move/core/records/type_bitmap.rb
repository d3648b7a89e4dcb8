# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # The types that an NSEC record lists, as windows of bits (RFC 4034 §4.1.2).
      module TypeBitmap
        module_function

        # Mnemonics → octets.
        def wire(types)
          types
            .map { |t| Rdata.number_of(t) }
            .uniq
            .sort
            .group_by { |n| n >> 8 }
            .map { |window, numbers| block(window, numbers) }
            .join
        end

        # Octets up to the reader's end → mnemonics.
        def unwire(reader)
          types = []
          until reader.end?
            window = reader.u8
            reader
              .take(reader.u8)
              .unpack1("B*")
              .each_char
              .with_index { |bit, i| types << Rdata.type_of((window << 8) | i) if bit == "1" }
          end
          types
        end

        def block(window, numbers)
          low = numbers.map { |n| n & 0xff }
          bits = "0" * (((low.max / 8) + 1) * 8)
          low.each { |n| bits[n] = "1" }
          [window, bits.size / 8].pack("CC") + [bits].pack("B*")
        end
        private_class_method :block
      end
    end
  end
end
