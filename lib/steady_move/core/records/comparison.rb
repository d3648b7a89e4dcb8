# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Compares two zones record set by record set (RFC 2181 §5), by meaning; SOA and apex NS stand
      # apart.
      module Comparison
        # kind: same, ttl, different, missing (only old has it) or extra (only new has it); old/new:
        # RecordSet or nil; breaks: what stops working for people, a Phrase, or nil.
        # rank: how bad that is, least first.
        Row =
          Struct.new(:kind, :name, :type, :old, :new, :breaks, :rank, keyword_init: true) do
            # What would break first, the worst of it before all, then by name and type.
            def order = [KINDS.index(kind), rank].pack("CC") + (old || new).order
          end

        # What comes first.
        KINDS = %i[missing different extra ttl same].freeze

        module_function

        # Returns Rows, what would break first; the host's own SOA and apex NS are left out.
        def compare(old, new)
          pairs(old, new).map { |a, b| row(a, b, old.origin) }.sort_by(&:order)
        end

        # The same without what is the same.
        def differences(old, new)
          pairs(old, new)
            .reject { |a, b| a && b && a.ttl == b.ttl && a.same_data?(b) }
            .map { |a, b| row(a, b, old.origin) }
            .sort_by(&:order)
        end

        # True where every difference is at most one of TTL.
        def same_content?(rows) = rows.all? { |r| %i[same ttl].include?(r.kind) }

        # [[RecordSet or nil, RecordSet or nil]] by owner and type.
        def pairs(old, new)
          old.answering.map { |set| [set, new[set.name, set.type]] } +
            new.answering.filter_map { |set| [nil, set] unless old[set.name, set.type] }
        end

        def row(old, new, origin)
          kind =
            if new.nil?
              :missing
            elsif old.nil?
              :extra
            elsif !old.same_data?(new)
              :different
            else
              old.ttl == new.ttl ? :same : :ttl
            end
          name, type = (old || new).id
          Row.new(
            kind: kind,
            name: name,
            type: type,
            old: old,
            new: new,
            breaks: old && Breaks.list(kind, old, origin),
            rank: old && %i[missing different].include?(kind) ? Breaks.rank(old, origin) : 0
          ).freeze
        end
        private_class_method :pairs, :row
      end
    end
  end
end
