# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # A DNS name as frozen labels (binary strings, root = no labels).
      # Presentation form and limits: RFC 1035 §2.3.4 and §5.1; comparison without case: RFC 4343.
      class Name
        include Comparable

        LABEL_MAX = 63
        WIRE_MAX = 255
        PLAIN = %r{\A[A-Za-z0-9_*/+-]+\z}n

        attr_reader :labels, :key

        # labels: array of byte strings, leftmost first.
        # Raises ArgumentError naming the label or the length at fault.
        def initialize(labels)
          total = 1
          labels.each do |label|
            raise ArgumentError, "an empty label stands in the name" if label.empty?
            if label.bytesize > LABEL_MAX
              raise ArgumentError,
                "label “#{label[0, 20]}…” has #{label.bytesize} octets; at most 63 fit"
            end

            total += label.bytesize + 1
          end
          raise ArgumentError, "the name takes #{total} octets; at most 255 fit" if total > WIRE_MAX

          @labels = labels.map(&:freeze).freeze
          @key = @labels.map { |l| l.downcase(:ascii) }.freeze
          freeze
        end

        ROOT = new([])

        # Reads presentation form; a name without a final dot is completed by origin (a Name) where given,
        # else taken as absolute. Escapes \X and \DDD as in RFC 1035 §5.1.
        #   Records::Name.parse("www", origin: Records::Name.parse("tide.example.")).to_s # => "www.tide.example."
        def self.parse(text, origin: nil)
          text = text.b
          return ROOT if text == "."
          return (origin or raise ArgumentError, "“@” needs an origin") if text == "@"
          raise ArgumentError, "the name is empty" if text.empty?

          labels, absolute = text.include?("\\") ? split_escaped(text) : split_plain(text)
          labels += origin.labels if !absolute && origin
          new(labels)
        end

        def self.split_plain(text)
          absolute = text.end_with?(".")
          [(absolute ? text[0..-2] : text).split(".", -1), absolute]
        end

        def self.split_escaped(text)
          labels = [+"".b]
          scan = StringScanner.new(text)
          until scan.eos?
            if scan.skip(/\./n) then labels << +"".b
            else labels.last << (scan.scan(/[^.\\]+/n) || Escape.read(scan))
            end
          end
          absolute = labels.last.empty? && labels.size > 1
          labels.pop if absolute
          [labels, absolute]
        end
        private_class_method :split_plain, :split_escaped

        # Presentation form, absolute, with a final dot.
        def to_s
          return "." if labels.empty?

          "#{labels.map { |l| l.match?(PLAIN) ? l : Escape.label(l) }.join('.')}.".force_encoding(Encoding::US_ASCII)
        end

        # As people write it: no final dot.
        def to_host = labels.empty? ? "." : to_s.chomp(".")

        # Uncompressed wire form (RFC 1035 §3.1); canonical: lower case (RFC 4034 §6.2).
        def to_wire(canonical: false)
          (canonical ? key : labels).map { |l| [l.bytesize].pack("C") << l }.join.b << "\0".b
        end

        # Reads an uncompressed name from a StringIO-like reader.
        def self.from_wire(reader)
          labels = []
          loop do
            size = reader.u8
            return new(labels) if size.zero?
            if size > LABEL_MAX
              raise ArgumentError,
                "a compressed or unknown label (#{size}) where a plain one is expected"
            end

            labels << reader.take(size)
          end
        end

        def under?(other) = key.last(other.key.size) == other.key && key.size >= other.key.size
        def parent = Name.new(labels.drop(1))
        def wildcard? = labels.first == "*"

        # Canonical order: RFC 4034 §6.1.
        def <=>(other) = key.reverse <=> other.key.reverse
        def eql?(other) = other.is_a?(Name) && key == other.key
        alias == eql?
        def hash = key.hash
        def inspect = "#<Name #{self}>"
      end
    end
  end
end
