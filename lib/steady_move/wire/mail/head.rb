# frozen_string_literal: true

require "mail"

module SteadyMove
  module Wire
    module Mail
      # The header section of a message as it stands there (RFC 5322 §2.2), every field of it: a
      # reader that keeps one of two From fields could be told either.
      class Head
        MOST = 256 * 1024
        # Characters of a field's body that are read; of most fields, and of some.
        LONGEST = 16_000
        SHORTER = {
          "date" => 200,
          "from" => 4000,
          "to" => 4000,
          "reply-to" => 4000,
          "subject" => 4000,
          "message-id" => 1000,
          "authentication-results" => 6000
        }.freeze
        FIELDS = 500

        # raw: octets of a message.
        def initialize(raw)
          section = raw.byteslice(0, MOST).gsub(/\r\n?/n, "\n")[/\A\n*(.*?)(?:\n\n|\z)/mn, 1].to_s
          @fields =
            section
              .gsub(/\n[ \t]+/n, " ")
              .each_line(chomp: true)
              .filter_map do |line|
                name, body = line.match(/\A([!-9;-~]+)[ \t]*:(.*)\z/n)&.captures
                [name.downcase, short(name.downcase, body)] if name
              end
              .first(FIELDS)
        end

        # The section anew, with each field on one line and no longer than is read.
        def bounded = @fields.map { |name, body| "#{name}: #{body}\r\n" }.join.b

        def any?(name) = @fields.any? { |n, _| n == name }
        # Bodies of all fields of a name, topmost first.
        def all(name) = @fields.filter_map { |n, body| body if n == name }

        # [[name, body]] of all fields of these names, topmost first.
        def among(*names) = @fields.select { |field| names.include?(field.first) }

        # The addresses of all fields of a name; what is none is kept as an empty text, so that it
        # counts.
        def addresses(name)
          all(name).flat_map do |body|
            list = ::Mail::AddressList.new(body).addresses.map { |a| a.address.to_s }
            list.empty? ? [""] : list
          rescue ::Mail::Field::ParseError
            [""]
          end
        end

        private

        def short(name, body)
          text = body.dup.force_encoding(Encoding::UTF_8).scrub("?").delete("\0").strip
          text[0, SHORTER.fetch(name, LONGEST)]
        end
      end
    end
  end
end
