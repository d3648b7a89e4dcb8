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

        # id: its labels in lower case, each behind its length; equal for equal names (RFC 4343).
        attr_reader :labels, :id, :hash

        # labels: array of byte strings, leftmost first; id: where it is known and all is known to
        # be right. Raises ArgumentError naming the label or the length at fault.
        def initialize(labels, id = nil)
          # Lengths are at most 63: no letter is mistaken for one.
          @id = id || checked(labels).downcase(:ascii).freeze
          @labels = labels.freeze
          @hash = @id.hash
        end

        # A name whose labels and length are known to be right (PlainLine).
        #   Records::Name.plain("www.Sub", Records::Name.parse("tide.example")).to_s
        #     # => "www.Sub.tide.example."
        def self.plain(text, origin)
          return origin if text == "@"

          labels = text.split(".")
          octets = +"".b
          labels.each { |label| octets << label.bytesize << label }
          octets.downcase!(:ascii)
          return new(labels, octets) if text.end_with?(".")

          new(labels.concat(origin.labels), octets << origin.id)
        end

        # Labels as octets, each behind its length; raises ArgumentError where one or all are too
        # long.
        def checked(labels)
          octets = +"".b
          labels.each do |label|
            size = label.bytesize
            refuse(label, size) unless size.between?(1, LABEL_MAX)
            octets << size << label
          end
          total = octets.bytesize + 1
          if total > WIRE_MAX
            raise(ArgumentError, "the name takes #{total} octets; at most 255 fit")
          else
            octets
          end
        end

        # Raises ArgumentError that says what is wrong with a label.
        def refuse(label, size)
          raise ArgumentError, "an empty label stands in the name" if size.zero?

          raise ArgumentError, "label “#{label[0, 20]}…” has #{size} octets; at most 63 fit"
        end
        private :checked, :refuse

        ROOT = new([])

        # Reads presentation form; a name without a final dot is completed by origin (a Name) where
        # given, else taken as absolute. Escapes \X and \DDD as in RFC 1035 §5.1.
        #   Records::Name.parse("www", origin: Records::Name.parse("tide.example.")).to_s
        #     # => "www.tide.example."
        def self.parse(text, origin: nil)
          text = text.b
          return ROOT if text == "."
          return(origin or raise ArgumentError, "“@” needs an origin") if text == "@"
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
            if scan.skip(/\./n)
              labels << +"".b
            else
              labels.last << (scan.scan(/[^.\\]+/n) || Escape.read(scan))
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

          "#{labels.map { |l| l.match?(PLAIN) ? l : Escape.label(l) }.join(".")}.".force_encoding(
            Encoding::US_ASCII
          )
        end

        # As people write it: no final dot.
        def to_host = labels.empty? ? "." : to_s.chomp(".")

        # Uncompressed wire form (RFC 1035 §3.1); canonical: lower case (RFC 4034 §6.2).
        def to_wire(canonical: false)
          canonical ? "#{id}\0".b : Name.counted(labels)
        end

        def self.counted(labels) = labels.map { |l| l.bytesize.chr << l }.push("\0").join.b

        # Labels in lower case, leftmost first.
        def key = labels.map { |l| l.downcase(:ascii) }

        # Octets that sort as the names do (RFC 4034 §6.1): labels from the right, in lower case,
        # with a zero between, which sorts before every label.
        def order
          @order ||=
            labels
              .reverse
              .map { |l| l.downcase(:ascii).gsub(/[\0\1]/n) { |c| c == "\0" ? "\1\1" : "\1\2" } }
              .join("\0")
              .b
              .freeze
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

        # Is it this name, or one below it?
        def under?(other)
          tail = labels.last(other.labels.size)
          return true if tail == other.labels

          tail.size == other.labels.size && id.end_with?(other.id) && Name.new(tail) == other
        end

        def parent = Name.new(labels.drop(1))
        def wildcard? = labels.first == "*"

        # Canonical order: RFC 4034 §6.1.
        def <=>(other) = order <=> other.order
        def eql?(other) = equal?(other) || (other.is_a?(Name) && id == other.id)
        alias == eql?
        def inspect = "#<Name #{self}>"
      end
    end
  end
end
