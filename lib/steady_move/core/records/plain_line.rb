# frozen_string_literal: true

require "strscan"

module SteadyMove
  module Core
    module Records
      # The short way for the usual lines of a long zone file: one record on one line, of a usual
      # type, without comment, parenthesis or escape. It only sees that a line is plainly right; its
      # data is read when it is asked for. Whatever is not plainly right goes the long way
      # (ZoneLexer, ZoneReader), which also words what is wrong.
      class PlainLine
        BLANK = /[ \t\r]*\n/n
        LABEL = %r{[A-Za-z0-9_*/+-]{1,63}}
        DOMAIN = /(?:#{LABEL}\.)*#{LABEL}\.?|@/
        TTL = /(?:(\d{1,9})[ \t]+)?/
        BYTE = /(?:25[0-5]|2[0-4]\d|1\d\d|[1-9]?\d)/
        NUMBER = /(?:6553[0-5]|655[0-2]\d|65[0-4]\d\d|6[0-4]\d{3}|[1-5]\d{4}|\d{1,4})/
        GAP = /[ \t]+/
        GROUP = /\h{1,4}/
        TEXT = /(?:"[^"]{0,255}"|[^" \t]{1,255})/
        # What each type's data plainly looks like.
        DATA = {
          "A" => /\A#{BYTE}(?:\.#{BYTE}){3}\z/n,
          "AAAA" =>
            /\A(?:#{GROUP}(?::#{GROUP}){7}|(?!.*:::)(?!.*::.*::)(?=(?:\h*:){2,7}\h*\z)
                       (?:#{GROUP}:)*(?::#{GROUP})*:?)\z/nx,
          "NS" => /\A#{DOMAIN}\z/n,
          "CNAME" => /\A#{DOMAIN}\z/n,
          "PTR" => /\A#{DOMAIN}\z/n,
          "MX" => /\A#{NUMBER}#{GAP}(?:#{DOMAIN})\z/n,
          "SRV" => /\A(?:#{NUMBER}#{GAP}){3}(?:#{DOMAIN})\z/n,
          "TXT" => /\A#{TEXT}(?:#{GAP}#{TEXT})*\z/n,
          "CAA" => /\A#{BYTE}#{GAP}[A-Za-z0-9]{1,255}#{GAP}"[^"]*"\z/n
        }.freeze
        LINE =
          /(#{DOMAIN})?#{GAP}#{TTL}(?:IN#{GAP})?#{TTL}(#{DATA.keys.join("|")})#{GAP}([^;()\\\r\n]+)\r?\n/nx
        TYPES = DATA.keys.to_h { |t| [t, t] }.freeze
        # A name this long may be too long with its origin.
        LONG = 120
        # owner: Name, nil where it is inherited; ttl: seconds or nil; rdata.
        Line = Struct.new(:owner, :ttl, :rdata)

        # scan: StringScanner at the start of a line; origin: Name. Returns Line and leaves the
        # scanner behind the line; or nil, the scanner where it was.
        def self.read(scan, origin)
          start = scan.pos
          found = scan.skip(LINE) && made(scan, origin)
          scan.pos = start unless found
          found
        end

        def self.made(scan, origin)
          owner = scan[1]
          ttl = scan[2]
          return if ttl && scan[3]

          type = TYPES[scan[4]]
          data = scan[5]
          data.rstrip! if data.end_with?(" ", "\t")
          return unless data.match?(DATA[type])

          ttl ||= scan[3]
          long =
            (owner && owner.bytesize > LONG) || data.bytesize > (type == "TXT" ? 4096 : LONG) ||
              origin.id.bytesize > LONG
          unless long
            Line.new(
              owner && Name.plain(owner, origin),
              ttl&.to_i,
              Rdata.unread(type, data, origin)
            )
          end
        end
        private_class_method :made
      end
    end
  end
end
