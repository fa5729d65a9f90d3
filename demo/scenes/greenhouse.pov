// Greenhouse in the morning: benches of young plants under glass, sun coming through the ribs.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 8 }
camera { location <0.25,1.75,-6.2> look_at <0.05,1.35,3> right x*image_width/image_height angle 62 }
light_source { <-5200,6200,2600> rgb <2.3,2.05,1.7> }
light_source { <1500,3000,-4500> rgb <0.38,0.44,0.50> shadowless }
light_source { <0,2.4,4> rgb <0.22,0.25,0.22> shadowless fade_distance 6 fade_power 1 }
sky_sphere { pigment { gradient y color_map { [0 rgb <0.95,0.95,0.90>][0.3 rgb <0.66,0.78,0.90>][1 rgb <0.30,0.50,0.80>] } } pigment { bozo turbulence 0.8 octaves 6 scale <0.4,0.15,0.4> color_map { [0 rgbt <1,1,1,0.2>][0.5 rgbt 1][1 rgbt 1] } } }
fog { fog_type 2 distance 80 rgb <0.88,0.92,0.86> fog_offset 0 fog_alt 5 }
plane { y,-0.3 pigment { granite scale 3 color_map { [0 rgb <0.05,0.08,0.02>][1 rgb <0.14,0.17,0.05>] } } finish { ambient 0 diffuse 0.8 } }
// path
box { <-0.62,-0.3,-8>,<0.62,0,26> pigment { granite scale 0.3 color_map { [0 rgb <0.16,0.14,0.12>][1 rgb <0.36,0.33,0.29>] } } normal { granite 0.5 scale 0.08 } finish { ambient 0 diffuse 0.75 specular 0.25 roughness 0.02 reflection 0.04 } }
box { <-4,-0.3,-8>,<4,-0.02,26> pigment { granite scale 0.5 color_map { [0 rgb <0.06,0.05,0.035>][1 rgb <0.16,0.13,0.09>] } } normal { granite 0.7 scale 0.06 } finish { ambient 0 diffuse 0.8 } }
// frame and glass
#declare Iron = texture { pigment { rgb <0.62,0.66,0.62> } finish { ambient 0 diffuse 0.75 specular 0.2 roughness 0.03 } }
#declare Z=-7; #while (Z<25)
  union { cylinder { <-3.6,0,Z>,<-3.6,2.4,Z>,0.035 } cylinder { <3.6,0,Z>,<3.6,2.4,Z>,0.035 } cylinder { <-3.6,2.4,Z>,<0,4.3,Z>,0.03 } cylinder { <3.6,2.4,Z>,<0,4.3,Z>,0.03 }
   #if (mod(Z+7,3)=0) cylinder { <-3.6,2.4,Z>,<3.6,2.4,Z>,0.022 } cylinder { <0,2.4,Z>,<0,4.3,Z>,0.018 } #end texture { Iron } }
#declare Z=Z+0.8; #end
union { cylinder { <0,4.3,-8>,<0,4.3,26>,0.05 } cylinder { <-3.6,2.4,-8>,<-3.6,2.4,26>,0.045 } cylinder { <3.6,2.4,-8>,<3.6,2.4,26>,0.045 } cylinder { <-1.8,3.35,-8>,<-1.8,3.35,26>,0.02 } cylinder { <1.8,3.35,-8>,<1.8,3.35,26>,0.02 } box { <-3.66,0,-8>,<-3.55,0.6,26> } box { <3.55,0,-8>,<3.66,0.6,26> } texture { Iron } }
#declare Pane = texture { pigment { granite scale 0.9 color_map { [0 rgbt <0.90,0.96,0.92,0.94>][0.6 rgbt <0.8,0.88,0.82,0.80>][1 rgbt <0.86,0.9,0.84,0.62>] } } finish { ambient 0 diffuse 0.55 reflection { 0.01,0.30 } specular 0.4 roughness 0.004 } }
union { polygon { 5,<-3.62,0.6,-8>,<-3.62,2.4,-8>,<-3.62,2.4,26>,<-3.62,0.6,26>,<-3.62,0.6,-8> } polygon { 5,<3.62,0.6,-8>,<3.62,2.4,-8>,<3.62,2.4,26>,<3.62,0.6,26>,<3.62,0.6,-8> }
 polygon { 5,<-3.62,2.42,-8>,<0,4.33,-8>,<0,4.33,26>,<-3.62,2.42,26>,<-3.62,2.42,-8> } polygon { 5,<3.62,2.42,-8>,<0,4.33,-8>,<0,4.33,26>,<3.62,2.42,26>,<3.62,2.42,-8> } texture { Pane } no_shadow }
// end wall
union { #declare k=-4; #while (k<=4) cylinder { <k*0.9,0,25>,<k*0.9,4.3-abs(k)*0.47,25>,0.03 } #declare k=k+1; #end cylinder { <-3.6,2.4,25>,<3.6,2.4,25>,0.03 } texture { Iron } }
// benches
#macro Bench(X) box { <X-0.75,0.72,-7>,<X+0.75,0.80,24> pigment { granite scale <0.1,0.1,2> color_map { [0 rgb <0.20,0.14,0.09>][1 rgb <0.42,0.32,0.22>] } } finish { ambient 0 diffuse 0.8 } }
 #local zz=-6.5; #while (zz<24) box { <X-0.7,-0.2,zz>,<X-0.62,0.72,zz+0.08> texture { Iron } } box { <X+0.62,-0.2,zz>,<X+0.7,0.72,zz+0.08> texture { Iron } } #local zz=zz+2; #end #end
Bench(-1.75) Bench(1.75)
#declare S=seed(12);
// a leaf is a curved, pointed blade; a plant is a whorl of them
#declare Leaf = intersection { sphere { 0,1 scale <0.5,0.16,1> translate z*1 } sphere { 0,1 scale <0.5,0.16,1> translate <0,-0.05,1> inverse } scale <0.26,0.5,0.46> }
#macro Plant(P,Sz,C,N) union { #local n=0; #while (n<N) #local vv=n/N;
   object { Leaf scale Sz*(0.42-0.16*vv)*(0.8+0.4*rand(S)) rotate x*(-12-58*vv+22*(rand(S)-0.5)) rotate y*(n*137.5+20*rand(S)) translate y*Sz*(0.20+0.42*vv)
     pigment { rgb C*(0.65+0.6*rand(S)) } finish { ambient 0 diffuse 0.75,0.42 specular 0.22 roughness 0.04 } } #local n=n+1; #end
   cylinder { 0,<0,Sz*0.65,0>,Sz*0.02 pigment { rgb C*0.8 } finish { ambient 0 diffuse 0.7 } }
   translate P } #end
#macro Pot(P,Sz) union { difference { cone { 0,Sz*0.17,<0,Sz*0.26,0>,Sz*0.22 } cone { <0,0.04*Sz,0>,Sz*0.15,<0,Sz*0.27,0>,Sz*0.20 } } cylinder { <0,Sz*0.05,0>,<0,Sz*0.22,0>,Sz*0.18 pigment { rgb <0.05,0.035,0.02> } } torus { Sz*0.22,Sz*0.022 translate y*Sz*0.26 } pigment { granite scale 0.1 color_map { [0 rgb <0.42,0.16,0.08>][1 rgb <0.58,0.26,0.15>] } } finish { ambient 0 diffuse 0.8 } translate P } #end
#macro Row(X) #local zz=-4.3; #while (zz<23) #local sz=0.72+0.55*rand(S); #local px=X+0.12*(rand(S)-0.5);
  Pot(<px,0.80,zz>,sz) #local hue=rand(S);
  #if (hue<0.62) Plant(<px,0.80+0.2*sz,zz>,sz*1.05,<0.10,0.30,0.045>,40) #else #if (hue<0.86) Plant(<px,0.80+0.2*sz,zz>,sz*1.25,<0.17,0.36,0.06>,46) #else Plant(<px,0.80+0.2*sz,zz>,sz,<0.06,0.22,0.10>,34) #end #end
  #if (rand(S)<0.36) #local q=0; #while (q<5) sphere { <px+0.3*sz*(rand(S)-0.5),0.80+sz*(0.62+0.35*rand(S)),zz+0.3*sz*(rand(S)-0.5)>,0.05*sz pigment { rgb <0.78,0.12+0.5*rand(S)*rand(S),0.08+0.25*rand(S)> } finish { ambient 0 diffuse 0.8 } } #local q=q+1; #end #end
  #local zz=zz+0.46+0.10*rand(S); #end #end
Row(-2.15) Row(-1.6) Row(-1.2) Row(1.2) Row(1.65) Row(2.2)
// hanging baskets
#declare Z=-3.2; #while (Z<22) #declare sd=-1; #while (sd<2) union { sphere { 0,0.24 scale <1,0.6,1> pigment { rgb <0.12,0.08,0.04> } finish { ambient 0 diffuse 0.8 } } cylinder { 0,<0,1.25,0>,0.008 pigment { rgb 0.2 } } translate <sd*1.75,2.25,Z> } Plant(<sd*1.75,2.2,Z>,1.0,<0.12,0.32,0.06>,30) Plant(<sd*1.75,2.02,Z>,-0.9,<0.10,0.27,0.05>,18) #declare sd=sd+2; #end #declare Z=Z+2.9; #end
// watering can left on the path
union { cylinder { 0,<0,0.34,0>,0.17 } cylinder { <0.12,0.08,0>,<0.48,0.40,0>,0.022 } cone { <0.46,0.38,0>,0.02,<0.54,0.45,0>,0.06 } torus { 0.15,0.014 rotate x*90 translate <-0.10,0.33,0> } pigment { rgb <0.42,0.45,0.46> } normal { granite 0.1 scale 0.1 } finish { ambient 0 diffuse 0.5 specular 0.6 roughness 0.03 reflection 0.18 } rotate y*-35 translate <-0.28,0,-2.6> }
