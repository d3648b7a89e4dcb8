# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Reads rdata octets in order; raises ArgumentError when they end too early.
      class ByteReader
        def initialize(bytes)
          @bytes = bytes.b
          @at = 0
        end

        # The next octets; raises ArgumentError where fewer are left.
        def take(count)
          if @at + count > @bytes.bytesize
            raise ArgumentError,
                  "rdata ends after #{@bytes.bytesize} octets; #{@at + count} are needed"
          end

          @at += count
          @bytes.byteslice(@at - count, count)
        end

        def u8 = take(1).unpack1("C")
        def u16 = take(2).unpack1("n")
        def u32 = take(4).unpack1("N")
        def rest = take(@bytes.bytesize - @at)
        def end? = @at >= @bytes.bytesize
      end
    end
  end
end
