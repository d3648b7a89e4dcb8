# frozen_string_literal: true

module Practice
  module Dns
    # Answers questions from a zone (RFC 1034 §4.3.2): data, alias, referral, wildcard (RFC 4592),
    # no data, no such name.
    module Answers
      Name = SteadyMove::Core::Records::Name

      # rcode, whether authoritative, and the records of three sections.
      Result = Struct.new(:rcode, :aa, :answer, :authority, :additional)

      module_function

      def of(zone, name, type)
        return Result.new("REFUSED", false, [], []) unless zone

        cut = referral(zone, name)
        if cut && !(cut.name == name && type == "DS")
          return Result.new("NOERROR", false, [], cut.to_a, glue(zone, cut))
        end

        answer = lookup(zone, name, type)
        return Result.new("NOERROR", true, answer, []) if answer.any?

        Result.new(
          exists?(zone, name) ? "NOERROR" : "NXDOMAIN",
          true,
          [],
          zone[zone.origin, "SOA"].to_a
        )
      end

      # With the signatures of what it holds, for one who asks for them (RFC 4035 §3.1).
      def signed(result, zone)
        with =
          lambda do |records|
            records
              .group_by { |r| [r.name, r.type] }
              .flat_map do |(name, type), list|
                list + zone[name, "RRSIG"].to_a.select { |r| r.rdata.values.first == type }
              end
          end
        Result.new(
          result.rcode,
          result.aa,
          with.call(result.answer),
          with.call(result.authority),
          result.additional
        )
      end

      def referral(zone, name)
        count = zone.origin.labels.size
        ((count + 1)..name.labels.size)
          .lazy
          .filter_map { |n| zone[Name.new(name.labels.last(n)), "NS"] }
          .first
      end

      # RFC 1034 §4.3.2, step 3b: the addresses without which the subzone could not be reached.
      def glue(zone, cut)
        targets = cut.rdatas.map { |r| r.values.first }
        targets.flat_map { |t| %w[A AAAA].flat_map { |type| zone[t, type].to_a } }
      end

      def lookup(zone, name, type, depth = 0)
        owner = exists?(zone, name) ? name : wildcard(zone, name)
        return [] unless owner

        sets = type == "ANY" ? zone.at(owner) : [zone[owner, type]].compact
        return sets.flat_map { |s| renamed(s, name) } if sets.any?

        chain = zone[owner, "CNAME"] or return []
        target = chain.rdatas.first.values.first
        renamed(chain, name) +
          (depth < 8 && target.under?(zone.origin) ? lookup(zone, target, type, depth + 1) : [])
      end

      def exists?(zone, name) = zone.all.any? { |set| set.name.under?(name) }

      def wildcard(zone, name)
        (1..(name.labels.size - zone.origin.labels.size)).each do |drop|
          encloser = Name.new(name.labels.drop(drop))
          next unless exists?(zone, encloser)

          star = Name.new(["*"] + encloser.labels)
          return exists?(zone, star) ? star : nil
        end
        nil
      end

      def renamed(set, name) = set.to_a.map { |r| r.dup.tap { |d| d.name = name } }
      private_class_method :referral, :glue, :lookup, :exists?, :wildcard, :renamed
    end
  end
end
