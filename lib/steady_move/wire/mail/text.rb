# frozen_string_literal: true

module SteadyMove
  module Wire
    module Mail
      # Text of a message as it may be kept and read.
      module Text
        module_function

        # UTF-8 without control characters, lines ended as everywhere; what makes no sense becomes
        # “?”.
        def clean(text)
          text = text.to_s.dup
          unless text.encoding == Encoding::UTF_8 && text.valid_encoding?
            text.force_encoding(Encoding::UTF_8)
          end
          text.scrub("?").gsub(/\r\n?/, "\n").delete("\0")
        end

        # Lines that were broken for the way are whole again (RFC 3676 §4). delsp: the blank at a
        # line's end was put there, too.
        #   SteadyMove::Wire::Mail::Text.unflowed("The code is \nbelow.", delsp: false)
        #     # => "The code is below.\n"
        def unflowed(text, delsp:)
          out = +""
          text.each_line(chomp: true) do |line|
            line = line.delete_prefix(" ") unless line.start_with?("> ")
            soft = line.end_with?(" ") && line != "-- "
            out << (soft && delsp ? line.chomp(" ") : line)
            out << "\n" unless soft
          end
          out
        end
      end
    end
  end
end
