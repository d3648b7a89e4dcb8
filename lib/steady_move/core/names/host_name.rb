# frozen_string_literal: true

module SteadyMove
  module Core
    module Names
      # A host's name as it stands in records: A-labels in lower case, without a final dot.
      module HostName
        module_function

        # Returns the A-label form, or nil where the text is no host name (RFC 1123 §2.1, RFC 5890
        # §2.3.1).
        #   Names::HostName.ascii("NS1.Möwe.example.") # => "ns1.xn--mwe-sna.example"
        #   Names::HostName.ascii("no host") # => nil
        def ascii(text)
          plain = text.to_s.strip.unicode_normalize(:nfkc).downcase.tr("。", ".").delete_suffix(".")
          plain = Idn.to_ascii(plain).downcase unless plain.ascii_only?
          plain if plain.match?(/\A[a-z0-9_](?:[a-z0-9._-]*[a-z0-9])?\z/) && plain.length <= 253
        rescue EncodingError, ArgumentError
          nil
        end
      end
    end
  end
end
