# frozen_string_literal: true

require "dnsruby"

Dnsruby.log.level = Logger::FATAL

module SteadyMove
  module Wire
    module Dns
      # Core's records ↔ dnsruby's messages. rdata crosses as octets, so that no type loses anything
      # on the way.
      module Codec
        Record = Core::Records::Record
        Rdata = Core::Records::Rdata
        Name = Core::Records::Name

        # Writes names in rdata whole and in the case they have.
        class PlainEncoder < Dnsruby::MessageEncoder
          def put_name(name, _canonical = false, _downcase = false) = super(name, true, false)
        end

        # What dnsruby's encoder needs of a resource record, with the octets as they are.
        # klass: IN, ANY or NONE (RFC 2136 §2.4, §2.5 use the last two).
        class Raw
          attr_reader :name, :type, :klass, :ttl

          def initialize(name, type, ttl:, klass: "IN", rdata: "")
            @name = Dnsruby::Name.create(name.to_s)
            @type = Dnsruby::Types.new(Rdata.number_of(type))
            @klass = Dnsruby::Classes.new(klass)
            @ttl = ttl
            @octets = rdata
          end

          def encode_rdata(encoder, _canonical = false) = encoder.put_bytes(@octets)
          def rdata = @octets
        end

        # Records without data, as updates use them (RFC 2136 §2.5.2), which dnsruby's decoder takes
        # for cut ones.
        module EmptyData
          # One record from the message; as dnsruby’s own, but for one without data.
          def get_rr
            start = @index
            name = get_name
            type, klass, ttl, size = get_unpack("nnNn")
            if size.zero? && [254, 255].include?(klass)
              return(
                Raw.new(
                  name,
                  Rdata.type_of(type),
                  ttl: ttl,
                  klass: Dnsruby::Classes.new(klass).string
                )
              )
            end

            @index = start
            super
          end
        end
        Dnsruby::MessageDecoder.prepend(EmptyData)

        # What dnsruby raises for octets that make no sense.
        UNREADABLE = [
          Dnsruby::DecodeError,
          Dnsruby::EncodeError,
          Dnsruby::ResolvError,
          ArgumentError,
          NoMethodError,
          RangeError,
          TypeError,
          EncodingError,
          IndexError
        ].freeze

        module_function

        # record: Core’s. Returns it as dnsruby sends it, its data as octets.
        def encode(record)
          Raw.new(record.name, record.type, ttl: record.ttl, rdata: record.rdata.to_wire)
        end

        # A dnsruby RR → Record, or nil for what is no data (OPT, TSIG). Raises Malformed.
        def decode(rr)
          number = rr.type.code
          return if [41, 250].include?(number)

          octets = PlainEncoder.new { |e| rr.encode_rdata(e, false) }.to_s.b
          Record.new(
            name: name_of(rr.name),
            ttl: rr.ttl,
            rdata: Rdata.from_wire(Rdata.type_of(number), octets)
          ).freeze
        rescue *UNREADABLE => e
          raise Malformed, "a DNS record can't be read: #{e.message.lines.first.to_s.strip}"
        end

        def name_of(name) = Name.new(name.labels.map { |l| l.string.b })

        # Octets → dnsruby message; raises Malformed.
        def message(octets)
          Dnsruby::Message.decode(octets)
        rescue *UNREADABLE => e
          raise Malformed, "a DNS message can't be read: #{e.message.lines.first.to_s.strip}"
        end

        # key: {name:, secret: (base64), algorithm:}; a signer for transaction signatures (RFC
        # 8945).
        def signer(key) = Tsig.signer(key)
      end
    end
  end
end
