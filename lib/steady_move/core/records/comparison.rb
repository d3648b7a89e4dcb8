# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Compares two zones record set by record set (RFC 2181 §5), by meaning; SOA and apex NS stand apart.
      module Comparison
        # kind: same, ttl, differs, missing (only old has it) or extra (only new has it); old/new: RecordSet or nil;
        # breaks: what stops working for people, or nil.
        Row = Struct.new(:kind, :name, :type, :old, :new, :breaks, keyword_init: true)

        BREAKS = {
          "A" => "the web site or host at %s", "AAAA" => "the web site or host at %s over IPv6",
          "CNAME" => "the service that %s points to", "MX" => "mail to %s",
          "TXT" => "mail checks or proofs of ownership at %s",
          "SRV" => "the service %s", "CAA" => "certificate issuing for %s", "TLSA" => "certificate checks at %s",
          "NS" => "everything under %s", "HTTPS" => "faster connections to %s", "SVCB" => "the service %s"
        }.freeze

        module_function

        # Returns Rows, what would break first; the host's own SOA and apex NS are left out.
        def of(old, new)
          old_sets = index(old)
          new_sets = index(new)
          rows = (old_sets.keys | new_sets.keys).map { |id| row(id, old_sets[id], new_sets[id]) }
          rows.sort_by { |r| [%i[missing differs extra ttl same].index(r.kind), r.name, Rdata.number_of(r.type)] }
        end

        # True where every difference is at most one of TTL.
        def same_content?(rows) = rows.all? { |r| %i[same ttl].include?(r.kind) }

        def index(zone) = zone.content.to_h { |s| [s.id, s] }

        def row(id, old, new)
          kind = if new.nil? then :missing
          elsif old.nil? then :extra
          elsif !old.same_data?(new) then :differs
          else old.ttl == new.ttl ? :same : :ttl
          end
          Row.new(kind: kind, name: id[0], type: id[1], old: old, new: new, breaks: breaks(kind, *id)).freeze
        end

        def breaks(kind, name, type)
          return unless %i[missing differs].include?(kind)

          format(BREAKS.fetch(type, "what relies on #{type} at %s"), name.to_host)
        end
        private_class_method :index, :row, :breaks
      end
    end
  end
end
