# shellcheck shell=bash
# An address on the network: an authority and a certificate made on this machine. Needs lib.sh.

# Days that a certificate lives; browsers refuse more than 398.
lan_days=397

# A certificate for a NAME, signed by the authority in a folder.
make_certificate() {
  local name=$1 folder=$2
  openssl req -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -sha256 \
    -keyout "$folder/$name.key" -out "$folder/$name.csr" -subj "/CN=$name" 2> "$logs/lan.log" || return 1
  openssl x509 -req -in "$folder/$name.csr" -CA "$folder/authority.crt" -CAkey "$folder/authority.key" -CAcreateserial \
    -days "$lan_days" -sha256 -out "$folder/$name.crt" \
    -extfile <(printf 'subjectAltName=DNS:%s\nextendedKeyUsage=serverAuth\nbasicConstraints=CA:FALSE\n' "$name") 2>> "$logs/lan.log"
}

# Makes what is missing for a NAME, and sets what the server needs to answer under it.
open_network() {
  local name=$1 folder=$root/.data/lan
  [[ "$name" =~ ^[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$ && ! "$name" =~ ^[0-9.]+$ ]] ||
    die "--lan wants the name by which others find this machine, such as hall.local, in small letters; not an address in numbers."
  command -v openssl > /dev/null || need_debian "What makes certificates" openssl
  mkdir -p "$folder"
  chmod 700 "$folder"
  if [ ! -f "$folder/authority.key" ]; then
    say "Making an authority for certificates of this machine ..."
    openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -days 3650 -sha256 \
      -keyout "$folder/authority.key" -out "$folder/authority.crt" -subj "/CN=Vicissor on this machine" \
      -addext "basicConstraints=critical,CA:TRUE,pathlen:0" -addext "keyUsage=critical,keyCertSign" 2> "$logs/lan.log" ||
      die "The authority could not be made; see $logs/lan.log."
  fi
  # Made again a month before its end.
  if ! openssl x509 -in "$folder/$name.crt" -checkend 2592000 -noout > /dev/null 2>&1; then
    make_certificate "$name" "$folder" || die "The certificate for $name could not be made; see $logs/lan.log."
  fi
  export LAN_PORT=${LAN_PORT:-4443}
  HOST=${LAN_HOST:-0.0.0.0} port_free "$LAN_PORT" || die "Port $LAN_PORT is in use. Choose another: LAN_PORT=$((LAN_PORT + 1)) bin/start --lan $name"
  export LAN_CERT=$folder/$name.crt LAN_KEY=$folder/$name.key LAN_AUTHORITY=$folder/authority.crt
  export LAN_ORIGIN=https://$name:$LAN_PORT
  export ALLOWED_HOSTS=${ALLOWED_HOSTS:+$ALLOWED_HOSTS,}$name:$LAN_PORT
  say "Other devices come in at $LAN_ORIGIN. So that they trust it, open $LAN_ORIGIN/authority.crt on each once, past the warning, and install it."
}
