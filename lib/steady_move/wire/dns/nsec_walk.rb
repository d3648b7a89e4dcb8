# frozen_string_literal: true

module SteadyMove
  module Wire
    module Dns
      # Walks a signed zone's chain of NSEC records from its top to its top again (RFC 4034 §4.1,
      # RFC 4470 for servers that tell no names), and fetches every set that they list.
      class NsecWalk
        Records = Core::Records

        # client: Client; server: its name; zone: text.
        def initialize(client, server, zone)
          @client = client
          @server = server
          @origin = Records::Name.parse(zone)
        end

        # Returns a Zone; raises Refused where the zone can't be walked (no NSEC, names made up as
        # they are asked for, a chain that does not close), Unreachable or Malformed.
        def zone
          found = []
          chain.each { |name, types| found.concat(sets(name, types)) }
          Records::Zone.new(@origin, found.uniq)
        end

        private

        # [[Name, [type]]]
        def chain
          list = []
          seen = {}
          name = @origin
          until seen[name]
            seen[name] = true
            following, types = nsec(name)
            list << [name, types]
            if list.size > Client::ZONE_MOST
              raise Malformed, "#{@server} tells more than #{Client::ZONE_MOST} names"
            end

            name = following
          end
          name == @origin ? list : no_walk("its chain does not come back to the top")
        end

        def nsec(name)
          answer = @client.query(@server, name.to_s, "NSEC", dnssec: true)
          unless %w[NOERROR NXDOMAIN].include?(answer.rcode)
            raise Refused.new(answer.rcode, "#{@server}: #{answer.rcode}")
          end

          record =
            (answer.answer + answer.authority).find { |r| r.type == "NSEC" && r.name == name }
          unless record
            no_walk(
              (
                if hashed?(answer)
                  "its names are hashed (NSEC3, RFC 5155)"
                else
                  "it is not signed with NSEC"
                end
              )
            )
          end
          following, types = record.rdata.values
          if following.labels.first == "\0"
            no_walk("it makes names up as they are asked for (RFC 4470)")
          end
          no_walk("its chain leaves the zone") unless following.under?(@origin)
          [following, types]
        end

        def hashed?(answer)
          (answer.answer + answer.authority).any? { |r| r.type.start_with?("NSEC3") }
        end

        def no_walk(why)
          raise(Refused.new("NSEC", "#{@origin.to_host} can't be walked at #{@server}: #{why}"))
        end

        def sets(name, types)
          (types - %w[NSEC RRSIG]).flat_map do |type|
            answer = @client.query(@server, name.to_s, type)
            found = answer.set(name, type)
            if found.empty?
              no_walk("it lists #{type} at #{name.to_host} and does not tell it")
            else
              found + glue(answer, name, type)
            end
          end
        end

        # Addresses that a delegation needs stand in no chain (RFC 4035 §2.3).
        def glue(answer, name, type)
          return [] unless type == "NS" && name != @origin

          answer.additional.select { |r| %w[A AAAA].include?(r.type) && r.name.under?(@origin) }
        end
      end
    end
  end
end
